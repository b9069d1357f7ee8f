import type { Knex } from 'knex';

/**
 * Files that come in row by row, when a decision arrived, homes that are put away or forgotten, and
 * what the desk has set. Columns are only added.
 */
export async function up(knex: Knex): Promise<void> {
  // A file that is being taken in: its rows wait here, and count only from when all of them are here.
  await knex.schema.createTable('imports', (t) => {
    t.text('id').primary();
    t.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
    t.text('state').notNullable();
    t.integer('row_count').notNullable();
    t.text('begun_at').notNullable();
    t.index('project_id');
  });
  await knex.schema.createTable('import_rows', (t) => {
    t.increments('seq');
    t.text('import_id').notNullable().references('id').inTable('imports').onDelete('CASCADE');
    t.text('event_json').notNullable();
    t.index(['import_id', 'seq']);
  });
  await knex.schema.alterTable('decision_events', (t) => {
    // By this machine's clock; null for what came before it was noted.
    t.text('received_at');
  });
  await knex.schema.alterTable('projects', (t) => {
    t.text('archived_at');
  });
  // A home that is being forgotten at the client's wish: only its log may be deleted.
  await knex.schema.createTable('forgetting', (t) => {
    t.text('project_id').primary();
  });
  await knex.raw('DROP TRIGGER decision_events_no_delete');
  await knex.raw(`CREATE TRIGGER decision_events_no_delete BEFORE DELETE ON decision_events
    WHEN OLD.project_id NOT IN (SELECT project_id FROM forgetting)
    BEGIN SELECT RAISE(ABORT, 'decision_events is append-only'); END`);
  // What remains of it: that there was one, and when it went.
  await knex.schema.createTable('forgotten_homes', (t) => {
    t.text('id').primary();
    t.text('begun_on').notNullable();
    t.text('forgotten_at').notNullable();
    t.integer('room_count').notNullable();
    t.integer('picture_count').notNullable();
  });
  // What the desk shows of a home, as it was worked out at a state of it.
  await knex.schema.createTable('desk_summaries', (t) => {
    t.text('project_id').primary().references('id').inTable('projects').onDelete('CASCADE');
    t.text('stamp').notNullable();
    t.text('summary_json').notNullable();
  });
  await knex.schema.alterTable('changes', (t) => {
    t.index(['project_id', 'is_undone']);
  });
  await knex.schema.createTable('settings', (t) => {
    t.text('id').primary();
    t.text('value_json').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
