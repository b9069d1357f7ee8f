import type { Knex } from 'knex';

/** Boards and liners of a room. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('materials', (t) => {
    t.text('id').primary().references('id').inTable('rooms').onDelete('CASCADE');
    t.text('boards_json').notNullable();
    t.text('kerf_json').notNullable();
    t.text('car_length_json').notNullable();
    t.text('cuts_json').notNullable();
    t.text('roll_json').notNullable();
    t.text('lined_bay_ids_json').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
