import type { Knex } from 'knex';

/** A before that was missed says so, in a sentence; a session that pauses says when it did. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('vantage_points', (table) => {
    table.text('before_missed');
  });
  await knex.schema.alterTable('sessions', (table) => {
    table.text('pauses_json').notNullable().defaultTo('[]');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
