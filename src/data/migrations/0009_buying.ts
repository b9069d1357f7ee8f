import type { Knex } from 'knex';

/**
 * Lines and made containers, wishes of a fit, its mock-up, things to buy by hand, gift cards,
 * offers read from a service. Columns are only added.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('containers', (t) => {
    t.text('line').notNullable().defaultTo('');
    t.text('colour').notNullable().defaultTo('');
    t.text('how_to').notNullable().defaultTo('');
  });
  await knex.schema.alterTable('taken_fits', (t) => {
    t.text('checks_json').notNullable().defaultTo('[]');
  });
  await knex.schema.createTable('fit_wishes', (t) => {
    t.text('id').primary().references('id').inTable('bays').onDelete('CASCADE');
    t.text('forbidden_json').notNullable();
    t.text('pins_json').notNullable();
  });
  await knex.schema.alterTable('offers', (t) => {
    t.text('checked_at');
    t.integer('in_stock');
    t.text('aisle').notNullable().defaultTo('');
  });
  await knex.schema.alterTable('purchases', (t) => {
    t.text('paid_by').notNullable().defaultTo('');
    t.integer('card_minor').notNullable().defaultTo(0);
    t.integer('expected_minor');
    t.text('hand_need_id');
  });
  await knex.schema.createTable('hand_needs', (t) => {
    t.text('id').primary();
    t.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE');
    t.text('name').notNullable();
    t.integer('qty').notNullable();
    t.text('priority').notNullable();
    t.text('shop_id').notNullable();
    t.integer('pack_size').notNullable();
    t.integer('price_minor').notNullable();
    t.index('room_id');
  });
  await knex.schema.createTable('gift_cards', (t) => {
    t.text('id').primary();
    t.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
    t.text('shop_id').notNullable();
    t.integer('amount_minor').notNullable();
    t.index('project_id');
  });
  await knex.schema.alterTable('need_priorities', (t) => {
    t.text('approved_at');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
