import type { Knex } from 'knex';

/** What was finished on a visit, and when something that was ordered arrives. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('visits', (table) => {
    table.text('done_section_ids_json').notNullable().defaultTo('[]');
  });
  await knex.schema.alterTable('purchases', (table) => {
    table.text('deliver_on');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
