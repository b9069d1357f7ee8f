import type { Knex } from 'knex';

/** What goes back to the shop: by when, how much of it went, what was paid back. Columns are only added. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('purchases', (t) => {
    t.text('return_by');
    t.integer('returned_pieces').notNullable().defaultTo(0);
    t.integer('refund_minor').notNullable().defaultTo(0);
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
