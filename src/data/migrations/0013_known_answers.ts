import type { Knex } from 'knex';

/** What was worked out last, for a page to show with its date while it is worked out anew. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('known_answers', (t) => {
    t.text('project_id').notNullable().references('id').inTable('projects').onDelete('CASCADE');
    // What it is the answer to: a page of a room or of the home.
    t.text('about').notNullable();
    // What it was worked out from; another one says that it is out of date.
    t.text('basis').notNullable();
    t.text('answer_json').notNullable();
    t.text('answered_at').notNullable();
    t.primary(['project_id', 'about']);
  });
}

export async function down(): Promise<void> {
  throw new Error('migrations only move forward');
}
