import type { Knex } from 'knex';

/** Sessions at the bench, carry-outs and debts, and what the log is asked by. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('decision_events', (t) => {
    t.index(['project_id', 'seq']);
  });
  await knex.schema.createTable('sessions', (t) => {
    t.text('id').primary();
    t.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE').index();
    t.text('section_id');
    t.text('method').notNullable();
    t.text('steps_json').notNullable();
    t.text('present_json').notNullable();
    t.integer('planned_minutes').notNullable();
    t.text('started_at').notNullable();
    t.text('step_starts_json').notNullable();
    t.text('ended_at');
  });
  await knex.schema.createTable('own_methods', (t) => {
    t.text('id').primary();
    t.text('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    t.text('name').notNullable();
    t.text('steps_json').notNullable();
  });
  await knex.schema.createTable('carries', (t) => {
    t.text('id').primary();
    t.text('room_id').notNullable().references('id').inTable('rooms').onDelete('CASCADE').index();
    t.text('verdict');
    t.float('litres').notNullable();
    t.integer('mass_g').notNullable();
    t.text('carried_at').notNullable();
    t.text('note').notNullable();
    t.text('due_on');
    t.text('settled_at');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
