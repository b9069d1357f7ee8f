import type { Knex } from 'knex';

/**
 * Where groups stand today apart from where they are to live; drafts of a room; its working list of
 * moves.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('groups', (t) => {
    t.text('stands_bay_id').references('id').inTable('bays').onDelete('SET NULL');
  });
  // Until now a group stood where it was to live.
  await knex('groups').update({ stands_bay_id: knex.ref('bay_id') });
  await knex.schema.createTable('drafts', (t) => {
    t.text('id').primary();
    t.text('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    t.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE').index();
    t.text('name').notNullable();
    t.text('places_json').notNullable();
    t.integer('position').notNullable();
  });
  await knex.schema.createTable('move_lists', (t) => {
    t.text('id').primary().references('id').inTable('rooms').onDelete('CASCADE');
    t.text('made_at').notNullable();
    t.text('cleaning').notNullable();
    t.text('cleaned_bay_ids_json').notNullable();
    t.text('baskets_stand').notNullable();
    t.text('items_json').notNullable();
    t.float('staged_litres').notNullable();
    t.float('least_staged_litres');
    t.integer('baskets').notNullable();
    t.text('circles_json').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
