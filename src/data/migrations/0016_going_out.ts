import type { Knex } from 'knex';

/** What goes out is a record of its own: which things, toward what, and when and by whom it left the home. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('carries', (table) => {
    table.text('toward').notNullable().defaultTo('');
    table.text('thing_ids_json').notNullable().defaultTo('[]');
    table.text('gone_at');
    table.text('gone_by').notNullable().defaultTo('');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
