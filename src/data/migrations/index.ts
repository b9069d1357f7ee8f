import type { Knex } from 'knex';

import * as foundation from './0001_foundation';
import * as lookAndAgree from './0002_look_and_agree';
import * as sessions from './0003_sessions';
import * as count from './0004_count';
import * as placing from './0005_placing';
import * as drafts from './0006_drafts';
import * as materials from './0007_materials';
import * as returns from './0008_returns';
import * as buying from './0009_buying';
import * as money from './0010_money';
import * as homeDrafts from './0011_home_drafts';
import * as reliability from './0012_reliability';
import * as knownAnswers from './0013_known_answers';
import * as answersAnew from './0014_answers_anew';
import * as kindsOfOnesOwn from './0015_kinds_of_ones_own';
import * as goingOut from './0016_going_out';
import * as missedBefore from './0017_missed_before';
import * as notToBeHad from './0018_not_to_be_had';
import * as waysAndRows from './0019_ways_and_rows';
import * as visits from './0020_visits';
import * as daysLived from './0021_days_lived';
import * as setUp from './0022_set_up';
import * as labelsAndCards from './0023_labels_and_cards';
import * as takeAway from './0024_take_away';
import * as client from './0025_client';
import * as closing from './0026_closing';
import * as lookAgain from './0027_look_again';
import * as answersDecide from './0028_answers_decide';
import * as insteadOf from './0029_instead_of';
import * as levels from './0030_levels';
import * as panels from './0031_panels';
import * as fieldActs from './0032_field_acts';
import * as fieldConflicts from './0033_field_conflicts';
import * as actDevices from './0034_act_devices';

interface NamedMigration extends Knex.Migration {
  readonly name: string;
}

const migrations: readonly NamedMigration[] = [
  { name: '0001_foundation', ...foundation },
  { name: '0002_look_and_agree', ...lookAndAgree },
  { name: '0003_sessions', ...sessions },
  { name: '0004_count', ...count },
  { name: '0005_placing', ...placing },
  { name: '0006_drafts', ...drafts },
  { name: '0007_materials', ...materials },
  { name: '0008_returns', ...returns },
  { name: '0009_buying', ...buying },
  { name: '0010_money', ...money },
  { name: '0011_home_drafts', ...homeDrafts },
  { name: '0012_reliability', ...reliability },
  { name: '0013_known_answers', ...knownAnswers },
  { name: '0014_answers_anew', ...answersAnew },
  { name: '0015_kinds_of_ones_own', ...kindsOfOnesOwn },
  { name: '0016_going_out', ...goingOut },
  { name: '0017_missed_before', ...missedBefore },
  { name: '0018_not_to_be_had', ...notToBeHad },
  { name: '0019_ways_and_rows', ...waysAndRows },
  { name: '0020_visits', ...visits },
  { name: '0021_days_lived', ...daysLived },
  { name: '0022_set_up', ...setUp },
  { name: '0023_labels_and_cards', ...labelsAndCards },
  { name: '0024_take_away', ...takeAway },
  { name: '0025_client', ...client },
  { name: '0026_closing', ...closing },
  { name: '0027_look_again', ...lookAgain },
  { name: '0028_answers_decide', ...answersDecide },
  { name: '0029_instead_of', ...insteadOf },
  { name: '0030_levels', ...levels },
  { name: '0031_panels', ...panels },
  { name: '0032_field_acts', ...fieldActs },
  { name: '0033_field_conflicts', ...fieldConflicts },
  { name: '0034_act_devices', ...actDevices },
];

export const migrationNames: readonly string[] = migrations.map(({ name }) => name);

/** Named by hand, so that the bundled server finds them without a folder to read. */
export const migrationSource: Knex.MigrationSource<NamedMigration> = {
  getMigrations: () => Promise.resolve([...migrations]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) => Promise.resolve(migration),
};
