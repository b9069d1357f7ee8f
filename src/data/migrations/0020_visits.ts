import type { Knex } from 'knex';

/** Visits: planned with a day and times, then lived with those that were. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('visits', (table) => {
    table.text('id').primary();
    table
      .text('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    table.text('day').notNullable().index();
    table.integer('from_minute').notNullable();
    table.integer('to_minute').notNullable();
    table.text('people_json').notNullable();
    table.boolean('client_there').notNullable();
    table.text('section_ids_json').notNullable();
    table.text('parking').notNullable();
    table.text('prepare').notNullable();
    table.text('packed_json').notNullable();
    table.text('packed_back_json').notNullable();
    table.boolean('is_pinned').notNullable();
    table.text('arrived_at');
    table.text('left_at');
    table.text('breaks_json').notNullable();
    table.integer('corrected_minutes');
    table.text('done').notNullable();
    table.text('promised').notNullable();
    table.text('next').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
