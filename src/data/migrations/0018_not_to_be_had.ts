import type { Knex } from 'knex';

/** What a shop did not have, said in front of its shelf, until it is said to be there again. */
export async function up(knex: Knex): Promise<void> {
  // Lists that were worked out before know nothing of it.
  await knex('known_answers').delete();
  await knex.schema.createTable('shortages', (table) => {
    table.text('id').primary();
    table.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE');
    table.text('need_id').notNullable();
    table.text('shop_id').notNullable().references('id').inTable('shops').onDelete('CASCADE');
    table.text('said_at').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
