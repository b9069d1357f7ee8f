import type { Knex } from 'knex';

/** Looks at a home after it was done, and tests of putting things away. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('reviews', (table) => {
    table.text('id').primary();
    table.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
    table.text('room_id').references('id').inTable('rooms').onDelete('CASCADE');
    table.text('kind').notNullable();
    table.text('planned_on').notNullable();
    table.text('due_on').notNullable();
    table.text('done_on');
    table.text('note').notNullable();
    table.text('lines_json').notNullable();
    table.text('changes_json').notNullable();
  });
  await knex.schema.createTable('put_away_tests', (table) => {
    table.text('id').primary();
    table.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
    table.text('person_id').references('id').inTable('people').onDelete('SET NULL');
    table.text('person_name').notNullable();
    table.text('at').notNullable();
    table.boolean('by_pictures').notNullable();
    table.text('items_json').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
