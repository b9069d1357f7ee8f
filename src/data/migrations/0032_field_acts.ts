import type { Knex } from 'knex';

/** What devices did on site and the desk has: each by the id that the device made, so that it counts once. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('field_acts', (table) => {
    table.string('id').primary();
    table
      .string('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    table.string('kind').notNullable();
    table.string('done_at').notNullable();
    table.string('kept_at').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
