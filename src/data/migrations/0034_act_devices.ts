import type { Knex } from 'knex';

/** Two devices may have one name: each act says by a mark which browser it was done in. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('field_acts', (table) => {
    table.string('device').notNullable().defaultTo('');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
