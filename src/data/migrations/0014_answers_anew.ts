import type { Knex } from 'knex';

/**
 * Known answers of an older shape go: their reasons were sentences and are facts now. They are worked
 * out anew when their page is asked for.
 */
export async function up(knex: Knex): Promise<void> {
  await knex('known_answers').delete();
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
