import type { Knex } from 'knex';

/** What was ticked of a room's working list, and the air in which its paint dries. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('set_ups', (table) => {
    table.text('id').primary().references('id').inTable('rooms').onDelete('CASCADE');
    table.text('done_json').notNullable();
    table.float('air_celsius');
    table.boolean('is_damp').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
