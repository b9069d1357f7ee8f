import type { Knex } from 'knex';

/** Labels, jars, routines and kits; units that are put together and anchored; a mark a person. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('people', (table) => {
    table.text('mark_json').notNullable().defaultTo('null');
  });
  await knex.schema.alterTable('set_ups', (table) => {
    table.text('units_json').notNullable().defaultTo('[]');
    table.text('liners_json').notNullable().defaultTo('[]');
    table.text('prep_json').notNullable().defaultTo('{}');
  });
  await knex.schema.createTable('labelings', (table) => {
    table.text('id').primary().references('id').inTable('rooms').onDelete('CASCADE');
    table.text('choices_json').notNullable();
    table.text('made_json').notNullable();
    table.text('settles_on');
    table.text('job_json').notNullable();
  });
  await knex.schema.createTable('jars', (table) => {
    table.text('id').primary();
    table.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE');
    table.text('product').notNullable();
    table.text('directions').notNullable();
    table.text('pack').notNullable();
    table.float('jar_litres').notNullable();
    table.text('filled_on');
    table.text('expires_on');
    table.integer('position').notNullable();
  });
  await knex.schema.createTable('routines', (table) => {
    table.text('id').primary();
    table.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE');
    table.text('name').notNullable();
    table.text('broke').notNullable();
    table.text('steps_json').notNullable();
    table.text('hung_on');
    table.text('checks_json').notNullable();
    table.integer('position').notNullable();
  });
  await knex.schema.createTable('kits', (table) => {
    table.text('id').primary();
    table.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
    table.text('name').notNullable();
    table.text('person_id');
    table.text('items_json').notNullable();
    table.integer('position').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
