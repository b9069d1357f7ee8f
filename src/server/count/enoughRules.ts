import 'server-only';

import type { Person, Project } from '@/core/agree';
import {
  enoughRuleSchema,
  shippedRules,
  type EnoughRule,
  type HouseholdCounts,
  type ShippedRule,
} from '@/core/count';
import { enoughRuleIdSchema, type EnoughRuleId, type ProjectId } from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { listEnoughRules } from '@/data/countRepo';
import { DataError, type Db } from '@/data/db';
import { enoughRuleRecord, findProject, projectRecord } from '@/data/records';
import { createId, nowIso } from '../means';

/** A rule as it holds in a household. */
export type RuleInUse = ShippedRule & {
  readonly isOff: boolean;
  /** Null while it is as shipped. */ readonly ownId: EnoughRuleId | null;
  readonly isShipped: boolean;
};

/** The shipped rules with the household's figures in their place, then its own rules. */
export async function rulesInUse(db: Db, projectId: ProjectId): Promise<RuleInUse[]> {
  const own = await listEnoughRules(db, projectId);
  const isNamed = (name: string) => (rule: ShippedRule) =>
    rule.name.toLowerCase() === name.toLowerCase();
  const toUse = ({ id, projectId: _, ...facts }: EnoughRule, isShipped: boolean): RuleInUse => ({
    ...facts,
    ownId: id,
    isShipped,
  });
  const changed = shippedRules.map((rule): RuleInUse => {
    const mine = own.find(isNamed(rule.name));
    return mine ? toUse(mine, true) : { ...rule, isOff: false, ownId: null, isShipped: true };
  });
  return [
    ...changed,
    ...own
      .filter(({ name }) => !shippedRules.some(isNamed(name)))
      .map((rule) => toUse(rule, false)),
  ];
}

export const householdOf = (project: Project, people: readonly Person[]): HouseholdCounts => ({
  people: people.length,
  beds: project.bedCount,
  guestPlaces: project.guestPlaceCount,
  washEveryDays: project.washEveryDays,
});

export type RuleInput = Omit<EnoughRule, 'id' | 'projectId'>;

/** Keeps a household's figures for a rule; one of the same name is replaced. */
export const saveRule = atomic(
  async (db: Db, projectId: ProjectId, input: RuleInput): Promise<EnoughRuleId> => {
    const known = (await listEnoughRules(db, projectId)).find(
      ({ name }) => name.toLowerCase() === input.name.toLowerCase(),
    );
    const id = known?.id ?? enoughRuleIdSchema.parse(createId());
    await recordChange(
      db,
      {
        projectId,
        deed: { code: 'enough_changed', name: input.name.toLowerCase() },
        now: nowIso(),
      },
      (writer) => writer.put(enoughRuleRecord, enoughRuleSchema.parse({ ...input, id, projectId })),
    );
    return id;
  },
);

/** Back to the shipped figures; a rule of the household's own goes. */
export const dropRule = atomic(
  async (db: Db, projectId: ProjectId, name: string): Promise<void> => {
    const known = (await listEnoughRules(db, projectId)).find(
      (rule) => rule.name.toLowerCase() === name.toLowerCase(),
    );
    if (!known) throw new DataError('not_found', 'there is no such rule in this home');
    await recordChange(
      db,
      {
        projectId,
        deed: { code: 'enough_reset', name: known.name.toLowerCase() },
        now: nowIso(),
      },
      (writer) => writer.remove(enoughRuleRecord, known.id),
    );
  },
);

/** What the rules are multiplied by; the number of people follows from the household. */
export const setHousehold = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: {
      readonly bedCount: number;
      readonly guestPlaceCount: number;
      readonly washEveryDays: number;
    },
  ): Promise<void> => {
    const project = await findProject(db, projectId);
    if (!project) throw new DataError('not_found', 'there is no such project in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'household_changed' }, now: nowIso() },
      (writer) => writer.put(projectRecord, { ...project, ...input }),
    );
  },
);
