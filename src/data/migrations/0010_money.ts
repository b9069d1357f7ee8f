import type { Knex } from 'knex';

/**
 * Paint, labels and fixings among the materials, receipts, and the client's yes with what the line
 * came to. Columns are only added.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('materials', (t) => {
    t.text('paint_json').notNullable().defaultTo('null');
    t.text('labels_json').notNullable().defaultTo('null');
    t.text('fixings_json').notNullable().defaultTo('{"rows":[],"packs":[]}');
    t.text('buying_json').notNullable().defaultTo('{}');
  });
  await knex.schema.createTable('receipts', (t) => {
    t.text('id').primary();
    t.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
    t.text('shop_name').notNullable();
    t.text('bought_on').notNullable();
    t.integer('total_minor').notNullable();
    t.text('picture_id');
    t.index('project_id');
  });
  await knex.schema.alterTable('purchases', (t) => {
    t.text('material_key');
    t.text('receipt_id');
  });
  await knex.schema.createTable('approvals', (t) => {
    t.text('id').primary();
    t.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE');
    t.text('need_id').notNullable();
    t.integer('line_minor');
    t.text('approved_at').notNullable();
    t.index('room_id');
  });
  await knex.raw(
    'insert into approvals (id, room_id, need_id, line_minor, approved_at) select id, room_id, ' +
      'container_id, null, approved_at from need_priorities where approved_at is not null',
  );
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
