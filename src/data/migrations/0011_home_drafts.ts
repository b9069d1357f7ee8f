import type { Knex } from 'knex';

/** Drafts may be of the whole home: they have no room then. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('drafts_of_homes', (t) => {
    t.text('id').primary();
    t.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
    t.text('room_id').references('id').inTable('rooms').onDelete('CASCADE');
    t.text('name').notNullable();
    t.text('places_json').notNullable();
    t.integer('position').notNullable();
  });
  await knex.raw(
    'insert into drafts_of_homes (id, project_id, room_id, name, places_json, position) select ' +
      'id, project_id, room_id, name, places_json, position from drafts',
  );
  await knex.schema.dropTable('drafts');
  await knex.schema.renameTable('drafts_of_homes', 'drafts');
  await knex.schema.alterTable('drafts', (t) => {
    t.index('project_id');
    t.index('room_id');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
