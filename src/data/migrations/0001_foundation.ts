import type { Knex } from 'knex';

/** Everything of the first version. Never edited once landed: later changes are later files. */
export async function up(knex: Knex): Promise<void> {
  const owned = (table: Knex.CreateTableBuilder, column: string, parent: string) =>
    table.text(column).notNullable().references('id').inTable(parent).onDelete('CASCADE').index();

  await knex.schema.createTable('projects', (t) => {
    t.text('id').primary();
    t.text('name').notNullable();
    t.text('units').notNullable();
    t.text('currency').notNullable();
    t.integer('budget_minor').notNullable();
    t.text('ready_by');
    t.text('status').notNullable();
    t.text('created_at').notNullable();
  });
  await knex.schema.createTable('people', (t) => {
    t.text('id').primary();
    owned(t, 'project_id', 'projects');
    t.text('name').notNullable();
    t.text('height_json').notNullable();
    t.integer('is_child').notNullable();
    t.integer('no_step').notNullable();
    t.integer('position').notNullable();
  });
  await knex.schema.createTable('rooms', (t) => {
    t.text('id').primary();
    owned(t, 'project_id', 'projects');
    t.text('name').notNullable();
    t.text('purpose').notNullable();
    t.integer('budget_minor').notNullable();
    t.integer('position').notNullable();
  });
  await createPlaces(knex, owned);
  await createContainers(knex, owned);
  await createLog(knex, owned);
}

type Owned = (table: Knex.CreateTableBuilder, column: string, parent: string) => unknown;

async function createPlaces(knex: Knex, owned: Owned): Promise<void> {
  await knex.schema.createTable('units', (t) => {
    t.text('id').primary();
    owned(t, 'room_id', 'rooms');
    t.text('name').notNullable();
    t.text('kind').notNullable();
    for (const side of ['width', 'depth', 'height', 'floor_gap'])
      t.text(`${side}_json`).notNullable();
    t.integer('position').notNullable();
  });
  await knex.schema.createTable('bays', (t) => {
    t.text('id').primary();
    owned(t, 'unit_id', 'units');
    t.text('name').notNullable();
    t.integer('column_index').notNullable();
    t.integer('row_index').notNullable();
    for (const side of ['width', 'depth', 'height']) t.text(`${side}_readings_json`).notNullable();
    for (const side of ['width', 'height']) t.text(`opening_${side}_json`).notNullable();
    t.integer('max_load_g');
    for (const name of ['pull_out', 'moist', 'out_of_scope']) t.integer(name).notNullable();
    t.text('obstacles_json').notNullable();
  });
  await knex.schema.createTable('vantage_points', (t) => {
    t.text('id').primary();
    owned(t, 'room_id', 'rooms');
    t.text('name').notNullable();
    t.integer('position').notNullable();
  });
  await knex.schema.createTable('pictures', (t) => {
    t.text('id').primary();
    owned(t, 'vantage_point_id', 'vantage_points');
    t.text('moment').notNullable();
    t.integer('width_px').notNullable();
    t.integer('height_px').notNullable();
    t.text('taken_at').notNullable();
  });
  await knex.schema.createTable('groups', (t) => {
    t.text('id').primary();
    owned(t, 'project_id', 'projects');
    owned(t, 'room_id', 'rooms');
    t.text('name').notNullable();
    t.text('bay_id').references('id').inTable('bays').onDelete('SET NULL').index();
    t.float('uncounted_litres').notNullable();
    t.text('lid').notNullable();
    t.text('see').notNullable();
    t.integer('front').notNullable();
    t.integer('loose').notNullable();
    t.integer('position').notNullable();
  });
}

async function createContainers(knex: Knex, owned: Owned): Promise<void> {
  await knex.schema.createTable('containers', (t) => {
    t.text('id').primary();
    t.text('project_id').references('id').inTable('projects').onDelete('CASCADE').index();
    t.text('name').notNullable();
    t.text('kind').notNullable();
    for (const side of ['width', 'depth', 'height']) t.text(`${side}_json`).notNullable();
    t.float('inner_litres').notNullable();
    t.float('inner_height_mm').notNullable();
    t.float('inner_width_mm');
    t.text('shape').notNullable();
    for (const name of ['lid', 'clear', 'stackable', 'turnable']) t.integer(name).notNullable();
    t.text('material').notNullable();
    t.integer('max_stack');
    t.integer('tare_g').notNullable();
    t.integer('max_load_g');
    t.integer('owned_count');
  });
  await knex.schema.createTable('shops', (t) => {
    t.text('id').primary();
    t.text('name').notNullable();
    t.text('currency').notNullable();
    t.integer('delivery_minor').notNullable();
    t.integer('free_over_minor');
  });
  await knex.schema.createTable('offers', (t) => {
    t.text('id').primary();
    owned(t, 'shop_id', 'shops');
    owned(t, 'container_id', 'containers');
    t.integer('pack_size').notNullable();
    t.integer('price_minor').notNullable();
  });
  await knex.schema.createTable('taken_fits', (t) => {
    t.text('id').primary().references('id').inTable('bays').onDelete('CASCADE');
    t.text('prefer').notNullable();
    t.text('answer_json').notNullable();
    t.text('taken_at').notNullable();
  });
  await knex.schema.createTable('purchases', (t) => {
    t.text('id').primary();
    owned(t, 'room_id', 'rooms');
    t.text('container_id');
    t.text('shop_name').notNullable();
    t.text('label').notNullable();
    t.integer('pieces').notNullable();
    t.integer('paid_minor').notNullable();
    t.text('bought_at').notNullable();
  });
  await knex.schema.createTable('need_priorities', (t) => {
    t.text('id').primary();
    owned(t, 'room_id', 'rooms');
    t.text('container_id').notNullable();
    t.text('priority').notNullable();
  });
}

async function createLog(knex: Knex, owned: Owned): Promise<void> {
  await knex.schema.createTable('decision_events', (t) => {
    t.increments('seq');
    t.text('project_id').notNullable().references('id').inTable('projects');
    t.text('id').notNullable();
    t.text('thing_id').notNullable();
    t.text('event_json').notNullable();
    t.unique(['project_id', 'id']);
    t.index(['project_id', 'thing_id']);
  });
  // The log only grows; a correction is another event.
  for (const act of ['UPDATE', 'DELETE']) {
    await knex.raw(`CREATE TRIGGER decision_events_no_${act.toLowerCase()} BEFORE ${act} ON decision_events
      BEGIN SELECT RAISE(ABORT, 'decision_events is append-only'); END`);
  }
  // Today's state, kept in the same transaction as the log and derivable from it alone.
  await knex.schema.createTable('things', (t) => {
    t.text('project_id').notNullable().references('id').inTable('projects');
    t.text('id').notNullable();
    t.integer('first_seq').notNullable();
    t.text('room_id').notNullable();
    t.text('thing_json').notNullable();
    t.primary(['project_id', 'id']);
    t.index(['project_id', 'room_id']);
  });
  await knex.schema.createTable('changes', (t) => {
    t.increments('seq');
    owned(t, 'project_id', 'projects');
    t.text('label').notNullable();
    t.text('images_json').notNullable();
    t.integer('is_undone').notNullable();
    t.text('changed_at').notNullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
