import type { Knex } from 'knex';

/** What placing needs to know of a group. A column is only added, so that no table is rebuilt. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('groups', (t) => {
    t.text('placing_json').notNullable().defaultTo('{}');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
