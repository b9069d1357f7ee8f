import type { Knex } from 'knex';

/**
 * Rules of enough, corrected sizes, pictures of things, and devices that were let in. Columns are
 * only added.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('projects', (t) => {
    t.integer('wash_every_days').notNullable().defaultTo(7);
  });
  await knex.schema.createTable('enough_rules', (t) => {
    t.text('id').primary();
    t.text('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    t.text('name').notNullable();
    t.text('words_json').notNullable();
    for (const name of [
      'per_home',
      'per_person',
      'per_bed',
      'per_guest_place',
      'per_day',
      'per_person_day',
    ])
      t.float(name).notNullable();
    t.text('because').notNullable();
    t.integer('is_off').notNullable();
  });
  // The organizer's own: what was learned in one home holds in the next.
  await knex.schema.createTable('kind_sizes', (t) => {
    t.text('id').primary();
    t.float('litres');
    t.float('mass_g');
    t.integer('weighed_count').notNullable();
    t.float('weighed_g').notNullable();
  });
  await knex.schema.createTable('thing_pictures', (t) => {
    t.text('id').primary();
    t.text('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    t.integer('width_px').notNullable();
    t.integer('height_px').notNullable();
    t.text('taken_at').notNullable();
  });
  await knex.schema.createTable('devices', (t) => {
    t.text('id').primary();
    t.text('name').notNullable();
    t.text('paired_at').notNullable();
    t.text('seen_at').notNullable();
    t.text('put_out_at');
  });
  await knex.schema.createTable('pairing_codes', (t) => {
    t.text('id').primary();
    t.text('code_hash').notNullable();
    t.text('made_at').notNullable();
    t.text('ends_at').notNullable();
    t.integer('wrong_count').notNullable();
    t.text('used_at');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
