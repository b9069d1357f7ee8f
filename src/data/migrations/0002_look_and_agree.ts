import type { Knex } from 'knex';

/**
 * Plans, fixtures, checks, terms, sections and agreements. Columns are only added, so no table is
 * rebuilt.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('projects', (t) => {
    t.integer('bed_count').notNullable().defaultTo(0);
    t.integer('guest_place_count').notNullable().defaultTo(0);
    t.text('pets').notNullable().defaultTo('');
    t.text('terms_json').notNullable().defaultTo('{}');
  });
  await knex.schema.alterTable('people', (t) => {
    t.text('labels').notNullable().defaultTo('words');
    t.text('lids').notNullable().defaultTo('closes');
    t.text('sorting').notNullable().defaultTo('finely');
  });
  await knex.schema.alterTable('rooms', (t) => {
    t.text('plan_json').notNullable().defaultTo('null');
    t.text('checks_json').notNullable().defaultTo('[]');
    t.text('routine_breaks_json').notNullable().defaultTo('[]');
    t.text('schools_json').notNullable().defaultTo('{}');
    t.integer('worked_minutes');
  });
  await knex.schema.alterTable('units', (t) => {
    t.text('door').notNullable().defaultTo('none');
    t.text('hole_pitch_json').notNullable().defaultTo('null');
    t.text('place_json').notNullable().defaultTo('null');
  });
  await knex.schema.alterTable('bays', (t) => {
    for (const name of ['warm', 'light', 'lockable', 'is_usual'])
      t.integer(name).notNullable().defaultTo(0);
  });
  await knex.schema.alterTable('vantage_points', (t) => {
    t.text('in_view').notNullable().defaultTo('');
  });
  await knex.schema.createTable('fixtures', (t) => {
    t.text('id').primary();
    t.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE').index();
    t.text('kind').notNullable();
    t.text('name').notNullable();
    for (const name of ['place', 'width', 'depth', 'bottom', 'top'])
      t.text(`${name}_json`).notNullable();
    t.text('swing');
  });
  await knex.schema.createTable('sections', (t) => {
    t.text('id').primary();
    t.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE').index();
    t.text('name').notNullable();
    t.integer('position').notNullable();
    t.integer('in_scope').notNullable();
    t.text('bay_ids_json').notNullable();
    t.text('content').notNullable();
    t.integer('full_percent').notNullable();
  });
  await knex.schema.createTable('agreements', (t) => {
    t.text('id').primary();
    t.text('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    t.text('agreed_at').notNullable();
    t.text('agreed_by').notNullable();
    t.text('lines_json').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
