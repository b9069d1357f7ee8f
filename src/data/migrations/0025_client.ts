import type { Knex } from 'knex';

const owned = (table: Knex.CreateTableBuilder): void => {
  table.text('id').primary();
  table.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
};

/** What is shared with the client, the pages made for them, their answers, and messages to them. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('sharings', (table) => {
    table.text('id').primary().references('id').inTable('projects').onDelete('CASCADE');
    table.text('parts_json').notNullable();
  });
  await knex.schema.createTable('client_pages', (table) => {
    owned(table);
    table.text('way').notNullable();
    table.text('name').notNullable();
    table.boolean('may_answer').notNullable();
    table.text('parts_json').notNullable();
    table.text('asked_json').notNullable();
    table.text('secret_hash');
    table.text('made_at').notNullable();
    table.text('ends_at');
    table.text('revoked_at');
  });
  await knex.schema.createTable('client_openings', (table) => {
    table.text('id').primary().references('id').inTable('client_pages').onDelete('CASCADE');
    table.text('first_at').notNullable();
    table.text('last_at').notNullable();
    table.integer('count').notNullable();
  });
  // The page of an answer may be gone: what was said stays.
  await knex.schema.createTable('client_answers', (table) => {
    owned(table);
    table.text('page_id').notNullable();
    table.text('asked_json').notNullable();
    table.text('says').notNullable();
    table.text('words').notNullable();
    table.text('by').notNullable();
    table.text('said_at').notNullable();
    table.text('arrived_at').notNullable();
    table.text('way').notNullable();
    table.text('state').notNullable();
    table.text('settled_at');
  });
  await knex.schema.createTable('outgoing_mails', (table) => {
    owned(table);
    table.text('to_address').notNullable();
    table.text('subject').notNullable();
    table.text('text').notNullable();
    table.text('page_id');
    table.text('state').notNullable();
    table.integer('tries').notNullable();
    table.text('problem').notNullable();
    table.text('made_at').notNullable();
    table.text('tried_at');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
