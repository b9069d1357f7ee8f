import type { Knex } from 'knex';

/** The closing report of a home as it was put together. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('closings', (table) => {
    table.text('id').primary().references('id').inTable('projects').onDelete('CASCADE');
    table.text('tone').notNullable();
    table.text('rooms_json').notNullable();
    table.text('opening').notNullable();
    table.text('consent_json').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
