import type { Knex } from 'knex';

const owned = (table: Knex.CreateTableBuilder): void => {
  table.text('id').primary();
  table.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
};

/** Destinations, boxes, trips, what was handed over, sold or given to a person. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('haul_destinations', (table) => {
    table.text('id').primary();
    table.text('name').notNullable();
    table.text('streams_json').notNullable();
    table.text('address').notNullable();
    table.text('position_json').notNullable();
    table.integer('minutes');
    table.text('between_json').notNullable();
    table.text('hours_json').notNullable();
    table.text('exceptions_json').notNullable();
    table.text('refuses_json').notNullable();
    table.integer('bags_per_visit');
    table.integer('unload_minutes').notNullable();
    table.boolean('by_appointment').notNullable();
    table.boolean('collects').notNullable();
    table.boolean('gives_receipt').notNullable();
    table.integer('fee_minor').notNullable();
    table.text('note').notNullable();
  });
  await knex.schema.createTable('leavings', (table) => {
    table.text('id').primary().references('id').inTable('projects').onDelete('CASCADE');
    table.text('choices_json').notNullable();
    table.text('wiped_ids_json').notNullable();
    table.text('minutes_json').notNullable();
    table.text('position_json').notNullable();
    table.text('car_name').notNullable();
    table.boolean('seats_down').notNullable();
    table.boolean('with_trailer').notNullable();
    table.integer('box_litres').notNullable();
    table.text('departures_json').notNullable();
    table.boolean('wants_values').notNullable();
    table.text('proof_json').notNullable();
  });
  await knex.schema.createTable('haul_trips', (table) => {
    owned(table);
    table.text('day');
    table.integer('depart_minute');
    table.text('stop_ids_json').notNullable();
    table.text('pick_up_json').notNullable();
    table.text('started_at');
    table.text('ended_at');
  });
  await knex.schema.createTable('haul_boxes', (table) => {
    owned(table);
    table.integer('number').notNullable();
    table.text('destination_id').notNullable();
    table.text('loads_json').notNullable();
    table.text('packed_at');
    table.boolean('is_pinned').notNullable();
    table.boolean('is_left_out').notNullable();
    table.text('trip_id').references('id').inTable('haul_trips').onDelete('SET NULL');
  });
  await knex.schema.createTable('handovers', (table) => {
    owned(table);
    table.text('destination_id');
    table.text('destination_name').notNullable();
    table.text('stream').notNullable();
    table.text('trip_id').references('id').inTable('haul_trips').onDelete('SET NULL');
    table.text('at').notNullable();
    table.text('by').notNullable();
    table.text('lines_json').notNullable();
    table.text('refused_json').notNullable();
    table.text('receipt_number').notNullable();
    table.text('picture_id');
  });
  await knex.schema.createTable('sales', (table) => {
    owned(table);
    table.text('thing_id').notNullable();
    table.integer('asking_minor');
    table.text('offered_at').notNullable();
    table.text('offered_on');
    table.text('by_day');
    table.text('reserved_for').notNullable();
    table.integer('sold_minor');
    table.text('sold_on');
    table.integer('fee_minor').notNullable();
  });
  await knex.schema.createTable('fetches', (table) => {
    owned(table);
    table.text('person').notNullable();
    table.text('by_day');
    table.text('note').notNullable();
  });
  // A going out that a handover made goes with it.
  await knex.schema.alterTable('carries', (table) => {
    table.text('handover_id');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
