import 'server-only';

import {
  containerIdsOf,
  costMinorOf,
  findFitFaults,
  restateLitres,
  insteadOf,
  keepChecks,
  toFitContainer,
  toFitRequest,
  type FitAim,
  type FitAnswer,
  type FitContainer,
  type FitFault,
  type FitQuestion,
  type TakenFit,
} from '@/core/fit';
import { withFoundLitres } from '@/core/again';
import { layOutUnit, type Unit } from '@/core/look';
import { err, ok, type BayId, type ProjectId, type Result } from '@/core/shared';
import { findUnitPriceMinor, keptPiecesOf, piecesOver, stockOf } from '@/core/shop';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { listOffers, listShops } from '@/data/catalogueRepo';
import { fitRecord, loadRecords, type LoadName, type Records } from '@/data/records';
import { nowIso } from '../means';
import { isKept } from '@/core/sort';

/** What a question to the fit engine is made from. */
export const fitNames = [
  'containers',
  'fitWishes',
  'fits',
  'groups',
  'people',
  'project',
  'purchases',
  'shortages',
  'things',
  'units',
] as const satisfies readonly LoadName[];
/** Those; people only where eyes are to be minded. */
export type FitRecords = Records<Exclude<(typeof fitNames)[number], 'people'>> &
  Partial<Records<'people'>>;

/**
 * The containers a project can use: the catalogue where it has a price, and its own at nothing. Where shops said
 * how many they have, no more than those and what the home has bought already.
 */
export async function listFitContainers(
  db: Db,
  {
    project,
    containers,
    purchases,
    shortages,
  }: Records<'containers' | 'project' | 'purchases' | 'shortages'>,
): Promise<FitContainer[]> {
  const [offers, shops] = [await listOffers(db), await listShops(db)];
  return containers.flatMap((container) => {
    // One that is nothing in a direction, from a file of before that was looked at, stands nowhere.
    if ([container.width, container.depth, container.height].some(({ mm }) => mm <= 0)) return [];
    if (container.projectId !== null) return [toFitContainer(container, 0)];
    const { currency } = project;
    const unitPrice = findUnitPriceMinor(container.id, offers, shops, currency);
    if (unitPrice === undefined) return [];
    const bought = purchases
      .filter(({ containerId }) => containerId === container.id)
      .reduce((sum, purchase) => sum + keptPiecesOf(purchase), 0);
    const available = bought + stockOf(container.id, offers, shops, { currency, shortages });
    return [
      {
        ...toFitContainer(container, unitPrice),
        ...(Number.isFinite(available) ? { available } : {}),
      },
    ];
  });
}

/** @errors `not_found` where the bay is not of this project. */
export const createFitRequest = async (
  db: Db,
  records: FitRecords,
  ask: FitAsk,
): Promise<FitQuestion> => toFitQuestion(records, await listFitContainers(db, records), ask);

interface FitAsk {
  readonly bayId: BayId;
  readonly prefer: FitAim;
}

/** From the room's floor to the bottom of a place; undefined where the unit cannot be laid out. */
function bottomOf(unit: Unit, bayId: BayId): number | undefined {
  const laid = layOutUnit(unit);
  return laid.ok ? laid.value.bays.find((bay) => bay.bayId === bayId)?.zMm : undefined;
}

/** The records a question is made from; without people nobody's eyes are minded. */
export type QuestionRecords = Records<'fitWishes' | 'fits' | 'groups' | 'things' | 'units'> &
  Partial<Records<'people' | 'purchases'>>;

/** The same for many places, whose containers are listed once. @errors `not_found`. */
export function toFitQuestion(
  records: QuestionRecords,
  priced: readonly FitContainer[],
  ask: FitAsk,
): FitQuestion {
  const unit = records.units.find(({ bays }) => bays.some(({ id }) => id === ask.bayId));
  const bay = unit?.bays.find(({ id }) => id === ask.bayId);
  if (!unit || !bay) throw new DataError('not_found', `there is no bay ${ask.bayId}`);
  // What stands in another place cannot stand here too.
  const wantedIds = records.fits
    .filter(({ bayId }) => bayId !== ask.bayId)
    .flatMap(({ answer }) => containerIdsOf(answer));
  const over = piecesOver({ purchases: records.purchases ?? [], wantedIds });
  const wishes = records.fitWishes.find(({ bayId }) => bayId === ask.bayId);
  const allowed = priced.filter(
    ({ id }) => !wishes?.forbidden.some((forbidden) => forbidden === id),
  );
  const containers = allowed.map((container) => {
    const taken = wantedIds.filter((id) => id === container.id).length;
    // What was bought beyond the other fits lies there, in whichever room.
    const spare = container.priceMinor > 0 ? (over.get(container.id) ?? 0) : 0;
    return {
      ...container,
      ...(container.available === undefined
        ? {}
        : { available: Math.max(0, container.available - taken) }),
      ...(spare > 0 ? { spare } : {}),
    };
  });
  const request = toFitRequest({
    bay,
    groups: records.groups,
    things: records.things,
    containers,
    prefer: ask.prefer,
    unit: { door: unit.door, bottomMm: bottomOf(unit, ask.bayId) },
    people: records.people ?? [],
  });
  // A pin on what has no price any more, or lives elsewhere now, holds nothing back.
  const pins = (wishes?.pins ?? []).filter(
    (pin) =>
      request.groups.some(({ id }) => id === pin.groupId) &&
      containers.some(({ id }) => id === pin.containerId),
  );
  const uses = (wishes?.uses ?? []).filter((id) =>
    containers.some((container) => container.id === id),
  );
  const { clearances } = request;
  const airMm = wishes?.airMm ?? 0;
  return {
    ...request,
    ...(pins.length === 0 ? {} : { pins }),
    ...(uses.length === 0 ? {} : { uses }),
    ...(airMm === 0
      ? {}
      : {
          clearances: {
            ...clearances,
            between: clearances.between + airMm,
            side: clearances.side + airMm,
          },
        }),
  };
}

/**
 * What is wrong with a fit that was taken, as everything measures now. What it stands on counts as it is,
 * whether it is wished for, sold or priced any more; a sum that differs is no fault.
 */
export function checkTakenFit(
  records: QuestionRecords & Records<'containers'>,
  priced: readonly FitContainer[],
  fit: TakenFit,
): FitFault[] {
  const question = toFitQuestion({ ...records, fitWishes: [] }, priced, fit);
  const known = new Set(question.containers.map(({ id }) => id));
  const missing = records.containers
    .filter(({ id }) => !known.has(id))
    .filter(({ id }) => containerIdsOf(fit.answer).includes(id))
    .map((container) => toFitContainer(container, 0));
  const containers = [...question.containers, ...missing];
  return findFitFaults({ ...question, containers }, fit.answer).filter(
    ({ rule }) => rule !== 'totals',
  );
}

/** Litres of one usual thing of each group in the request: kept things, counted one by one. */
export function litresEachOf(
  { things }: Records<'things'>,
  request: FitQuestion,
): Readonly<Record<string, number>> {
  return Object.fromEntries(
    request.groups.flatMap(({ id }) => {
      const kept = things.filter((thing) => isKept(thing) && thing.groupId === id);
      const count = kept.reduce((sum, thing) => sum + thing.count, 0);
      return count === 0 ? [] : [[id, kept.reduce((sum, thing) => sum + thing.litres, 0) / count]];
    }),
  );
}

/** A fit that the browser worked out, with the litres that it was asked with where those are not what is counted. */
interface Given {
  readonly bayId: BayId;
  readonly answer: FitAnswer;
  readonly foundLitres?: number | undefined;
}

/** The question with as much as lay there when somebody looked. */
export const askedWith = (question: FitQuestion, foundLitres: number | undefined): FitQuestion =>
  foundLitres === undefined
    ? question
    : { ...question, groups: withFoundLitres(question.groups, foundLitres) };

/**
 * Takes an arrangement that the browser worked out. It is checked against today's records by a
 * checker that shares no code with the engine; one that breaks a rule is not kept.
 */
export async function takeFit(
  db: Db,
  projectId: ProjectId,
  { prefer, ...given }: Given & { readonly prefer: FitAim },
): Promise<Result<void, readonly FitFault[]>> {
  const [faults] = await takeFits(db, projectId, { prefer, fits: [given] });
  return faults ? err(faults) : ok(undefined);
}

/**
 * Takes many in one change, each checked with those before it in place: what one uses the next
 * cannot. Those that
 * break a rule are left out. Returns their faults.
 */
export const takeFits = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      prefer,
      fits,
    }: {
      readonly prefer: FitAim;
      readonly fits: readonly Given[];
    },
  ): Promise<readonly (readonly FitFault[])[]> => {
    let records = await loadRecords(db, projectId, ...fitNames);
    const priced = await listFitContainers(db, records);
    const refused: (readonly FitFault[])[] = [];
    const taken: TakenFit[] = [];
    for (const { bayId, answer: shown, foundLitres } of fits) {
      const question = toFitQuestion(records, priced, { bayId, prefer });
      const given = lessWhatLiesThere(question, shown);
      // One for what was found on a walk is checked with that, and kept with what is counted.
      const asked = askedWith(question, foundLitres);
      const faults = findFitFaults(asked, given);
      const answer = asked === question ? given : restateLitres(question, given);
      if (faults.length > 0) {
        refused.push(faults);
        continue;
      }
      const before = records.fits.find((other) => other.bayId === bayId);
      const checks = keepChecks(before, answer);
      const fit: TakenFit = {
        bayId,
        prefer,
        answer,
        takenAt: nowIso(),
        checks,
        insteadOf: insteadOf(before, answer),
      };
      taken.push(fit);
      records = {
        ...records,
        fits: [...records.fits.filter((other) => other.bayId !== bayId), fit],
      };
    }
    const names = taken.map(
      ({ bayId }) =>
        records.units.flatMap((unit) => unit.bays).find(({ id }) => id === bayId)?.name ?? '',
    );
    if (taken.length > 0) {
      await recordChange(
        db,
        {
          projectId,
          deed: { code: 'fits_taken', count: taken.length, name: names.join(', ').slice(0, 80) },
          now: nowIso(),
        },
        async (writer) => {
          for (const { bayId, ...fit } of taken) await writer.put(fitRecord, { ...fit, id: bayId });
        },
      );
    }
    return refused;
  },
);

/** What was left over or bought since it was shown costs nothing any more; what became dearer is a fault. */
function lessWhatLiesThere(question: FitQuestion, shown: FitAnswer): FitAnswer {
  const costMinor = costMinorOf(question, shown);
  if (costMinor >= shown.costMinor) return shown;
  return shown.objective === null
    ? { ...shown, costMinor }
    : { ...shown, status: 'feasible', objective: null, bound: null, costMinor };
}

export const dropFit = atomic(async (db: Db, projectId: ProjectId, bayId: BayId): Promise<void> => {
  const { fits, units } = await loadRecords(db, projectId, 'fits', 'units');
  if (fits.every((fit) => fit.bayId !== bayId))
    throw new DataError('not_found', 'there is no such fit in this home');
  const bayName = units.flatMap((unit) => unit.bays).find(({ id }) => id === bayId)?.name ?? '';
  await recordChange(
    db,
    { projectId, deed: { code: 'fit_given_up', name: bayName }, now: nowIso() },
    (writer) => writer.remove(fitRecord, bayId),
  );
});
