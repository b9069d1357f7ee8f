import type { Knex } from 'knex';

/** Kinds of the organizer's own: their further words, and how high and long a piece is. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('kind_sizes', (table) => {
    table.text('words_json').notNullable().defaultTo('[]');
    table.float('upright_mm');
    table.float('longest_mm');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
