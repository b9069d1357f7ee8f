import type { Knex } from 'knex';

/** Which containers a taken fit took the place of: the client is told what a purchase replaces. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('taken_fits', (table) => {
    table.text('instead_of_json').notNullable().defaultTo('[]');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
