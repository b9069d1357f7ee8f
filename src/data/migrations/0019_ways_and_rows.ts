import type { Knex } from 'knex';

/**
 * How rooms are joined: what a door leads to, halls, stairs and openings. And from which depth on a
 * place has a front and a back row.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('fixtures', (table) => {
    table.text('leads_to_json').notNullable().defaultTo('null');
  });
  await knex.schema.alterTable('projects', (table) => {
    table.text('row_depth_json').notNullable().defaultTo('null');
  });
  await knex.schema.createTable('passages', (table) => {
    table.text('id').primary();
    table
      .text('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    table.text('kind').notNullable();
    table.text('name').notNullable();
    table.text('length_json').notNullable();
    table.integer('steps');
    table.text('room_ids_json').notNullable();
    table.text('passage_ids_json').notNullable();
    table.integer('position').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
