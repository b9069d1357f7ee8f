import type { Knex } from 'knex';

/** The sheet that false floors are cut from. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('materials', (table) => {
    table.text('panel_json').notNullable().defaultTo('null');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
