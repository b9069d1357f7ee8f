import type { Knex } from 'knex';

/** Which decision an answer became when it was taken, so that both are taken back together. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('client_answers', (table) => {
    table.text('decision_id');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
