import type { Knex } from 'knex';

/** What an act was about, so that the later counts; and what two devices said of the same without knowing it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('field_acts', (table) => {
    // Null: it is about nothing that another act overrules.
    table.string('subject');
    table.string('done_by').notNullable().defaultTo('');
    table.text('command_json');
    table.index(['project_id', 'subject']);
  });
  await knex.schema.createTable('field_conflicts', (table) => {
    table.string('id').primary();
    table
      .string('project_id')
      .notNullable()
      .references('id')
      .inTable('projects')
      .onDelete('CASCADE')
      .index();
    table.string('noted_at').notNullable();
    // Acts: the one that counts, and the one that does not.
    table.text('taken_json').notNullable();
    table.text('other_json').notNullable();
    table.string('settled_at');
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
