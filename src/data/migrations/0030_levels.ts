import type { Knex } from 'knex';

/**
 * What is needed to fit on levels: what a product is like as a riser, a turntable or a rack; what a group's things
 * are like; how one gets at a place.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('containers', (table) => {
    table.text('level_json').notNullable().defaultTo('null');
  });
  await knex.schema.alterTable('groups', (table) => {
    table.text('asks_json').notNullable().defaultTo('{}');
  });
  await knex.schema.alterTable('fit_wishes', (table) => {
    table.text('uses_json').notNullable().defaultTo('[]');
    table.integer('air_mm').notNullable().defaultTo(0);
  });
  await knex.schema.alterTable('bays', (table) => {
    table.text('access_json').notNullable().defaultTo('{}');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
