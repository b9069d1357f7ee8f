import 'server-only';

import {
  containerIdsOf,
  tidyFit,
  type FitAim,
  type FitAnswer,
  type FitFault,
  type FitPin,
  type FitWishes,
  type MockCheck,
  type TakenFit,
  isWhole,
} from '@/core/fit';
import {
  err,
  ok,
  type BayId,
  type ContainerId,
  type GroupId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { listProjects } from '@/data/projectRepo';
import {
  containerRecord,
  fitRecord,
  fitWishesRecord,
  loadRecords,
  type Records,
} from '@/data/records';
import { nowIso } from '../means';
import {
  checkTakenFit,
  fitNames,
  listFitContainers,
  toFitQuestion,
  type FitRecords,
} from './takeFit';
import { answerOnce } from '../engines/answerOrKnown';
import { runEngine } from '../engines/runEngine';

type FitWish =
  | { readonly kind: 'forbid' | 'allow'; readonly containerId: ContainerId }
  | { readonly kind: 'pin'; readonly groupId: GroupId; readonly containerId: ContainerId }
  | { readonly kind: 'unpin'; readonly groupId: GroupId }
  | { readonly kind: 'use' | 'unuse'; readonly containerId: ContainerId }
  | { readonly kind: 'air'; readonly mm: number }
  | { readonly kind: 'never'; readonly containerId: ContainerId };

/**
 * Notes what is wanted of a place's fit; the answers are worked out with it from then on. @errors
 * `not_found`.
 */
export const noteFitWish = atomic(
  async (db: Db, projectId: ProjectId, bayId: BayId, wish: FitWish): Promise<void> => {
    const records = await loadRecords(db, projectId, 'fitWishes', 'units');
    const bay = bayOf(records, bayId);
    // What is too flimsy once is so everywhere in the home.
    const bays = wish.kind === 'never' ? records.units.flatMap((unit) => unit.bays) : [bay];
    const changed = bays.map(({ id }) => {
      const before = records.fitWishes.find((wishes) => wishes.bayId === id) ?? {
        bayId: id,
        ...NO_WISHES,
      };
      const { bayId: own, ...wishes } = before;
      return { id: own, ...withWish(wishes, wish) };
    });
    await recordChange(
      db,
      { projectId, deed: { code: 'wishes_changed', name: bay.name }, now: nowIso() },
      async (writer) => {
        for (const after of changed) await writer.put(fitWishesRecord, after);
      },
    );
  },
);

type Wished = Omit<FitWishes, 'bayId'>;
const NO_WISHES: Wished = { forbidden: [], pins: [], uses: [], airMm: 0 };

/** What is wanted once this is wanted too: what is never to stand here is neither pinned nor used. */
function withWish(before: Wished, wish: FitWish): Wished {
  const { forbidden, pins, uses } = before;
  switch (wish.kind) {
    case 'forbid':
    case 'never':
      return {
        ...before,
        forbidden: [...forbidden.filter((id) => id !== wish.containerId), wish.containerId],
        pins: pins.filter(({ containerId }) => containerId !== wish.containerId),
        uses: uses.filter((id) => id !== wish.containerId),
      };
    case 'allow':
      return { ...before, forbidden: forbidden.filter((id) => id !== wish.containerId) };
    case 'pin':
      return {
        ...before,
        forbidden: forbidden.filter((id) => id !== wish.containerId),
        pins: [
          ...pins.filter(({ groupId }) => groupId !== wish.groupId),
          { groupId: wish.groupId, containerId: wish.containerId },
        ],
      };
    case 'unpin':
      return { ...before, pins: pins.filter(({ groupId }) => groupId !== wish.groupId) };
    case 'use':
      return {
        ...before,
        forbidden: forbidden.filter((id) => id !== wish.containerId),
        // Twice for two of them.
        uses: [...uses, wish.containerId],
      };
    case 'unuse':
      return {
        ...before,
        uses: uses.filter((id, i) => id !== wish.containerId || i !== uses.indexOf(id)),
      };
    case 'air':
      return { ...before, airMm: wish.mm };
  }
}

/** Ticks what was tried in the empty place. @errors `not_found` where no fit is taken. */
export const noteMockCheck = atomic(
  async (db: Db, projectId: ProjectId, bayId: BayId, check: MockCheck): Promise<void> => {
    const records = await loadRecords(db, projectId, 'fits', 'units');
    const fit = records.fits.find((taken) => taken.bayId === bayId);
    if (!fit) throw new DataError('not_found', `no fit is taken for ${bayId}`);
    const checks = [...fit.checks.filter(({ index }) => index !== check.index), check].sort(
      (a, b) => a.index - b.index,
    );
    await recordChange(
      db,
      {
        projectId,
        deed: { code: 'container_tried', name: bayOf(records, bayId).name },
        now: nowIso(),
      },
      (writer) =>
        writer.put(fitRecord, {
          id: bayId,
          prefer: fit.prefer,
          answer: fit.answer,
          takenAt: fit.takenAt,
          checks,
          insteadOf: fit.insteadOf,
        }),
    );
  },
);

interface Correction {
  readonly containerId: ContainerId;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly heightMm: number;
}
/** What a corrected size does to one fit: what is wrong with it now; nothing where it still goes in. */
export interface Refit {
  readonly bayId: BayId;
  readonly bayName: string;
  readonly faults: readonly FitFault[];
}

/**
 * Writes down what a container really measures, and checks every fit of the project that it stands in. Each
 * stays as it was taken; what no longer goes in is told, and mended by whoever took it. The catalogue is
 * corrected for every project. @errors `not_found`.
 */
export const correctContainer = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { containerId, widthMm, depthMm, heightMm }: Correction,
  ): Promise<Result<readonly Refit[], { readonly code: 'round_differs' }>> => {
    const records = await loadRecords(db, projectId, ...fitNames);
    const container = records.containers.find(({ id }) => id === containerId);
    if (!container) throw new DataError('not_found', `there is no container ${containerId}`);
    if (container.shape === 'round' && widthMm !== depthMm) return err({ code: 'round_differs' });
    const length = (mm: number) => ({ mm, text: `${mm} mm` });
    const after = {
      ...container,
      width: length(widthMm),
      depth: length(depthMm),
      height: length(heightMm),
    };
    await recordChange(
      db,
      { projectId, deed: { code: 'container_corrected', name: container.name }, now: nowIso() },
      (writer) => writer.put(containerRecord, after),
    );
    const corrected = {
      ...records,
      containers: records.containers.map((each) => (each.id === containerId ? after : each)),
    };
    const priced = await listFitContainers(db, corrected);
    return ok(
      corrected.fits
        .filter((fit) => isUsedBy(fit, containerId))
        .map((fit) => ({
          bayId: fit.bayId,
          bayName: bayOf(records, fit.bayId).name,
          faults: checkTakenFit(corrected, priced, fit),
        })),
    );
  },
);

const isUsedBy = ({ answer }: Pick<TakenFit, 'answer'>, containerId: string): boolean =>
  containerIdsOf(answer).includes(containerId);

/** Fits of other projects with this container that break a rule as everything measures now. */
export async function countBrokenElsewhere(
  db: Db,
  projectId: ProjectId,
  containerId: ContainerId,
): Promise<number> {
  let broken = 0;
  for (const { id } of (await listProjects(db)).filter((project) => project.id !== projectId)) {
    const records = await loadRecords(db, id, ...fitNames);
    const using = records.fits.filter((fit) => isUsedBy(fit, containerId));
    if (using.length === 0) continue;
    const priced = await listFitContainers(db, records);
    broken += using.filter((fit) => checkTakenFit(records, priced, fit).length > 0).length;
  }
  return broken;
}

/** What could stand instead of a container that cannot be had, in one place. */
export interface Substitute {
  readonly bayId: BayId;
  readonly bayName: string;
  readonly prefer: FitAim;
  readonly answer: FitAnswer;
  readonly names: readonly string[];
}

/**
 * Works every fit with this container out again without it, other containers kept where they are by pins:
 * at first for the groups that lose it only, then for all. Places where nothing else goes in are left out.
 * Only in `bayIds` where these are given. The same facts have the same answer: it is kept.
 */
export async function findSubstitutes(
  db: Db,
  records: FitRecords,
  { containerId, bayIds }: { readonly containerId: string; readonly bayIds?: ReadonlySet<string> },
): Promise<readonly Substitute[]> {
  const priced = await listFitContainers(db, records);
  const found: Substitute[] = [];
  for (const fit of records.fits.filter(
    ({ bayId, answer }) => (bayIds?.has(bayId) ?? true) && isUsedBy({ answer }, containerId),
  )) {
    const request = toFitQuestion(records, priced, { bayId: fit.bayId, prefer: fit.prefer });
    const without = {
      ...request,
      containers: request.containers.filter(({ id }) => id !== containerId),
      timeLimitMs: 700,
    };
    const losing = new Set(
      fit.answer.placements
        .filter((placement) => placement.containerId === containerId)
        .map(({ groupId }) => groupId),
    );
    const pins: FitPin[] = [
      ...(request.pins ?? []).filter((pin) => pin.containerId !== containerId),
      ...fit.answer.placements
        .filter(({ groupId }) => !losing.has(groupId))
        .map(({ groupId, containerId: kept }) => ({ groupId, containerId: kept })),
    ];
    const answer = await answerOnce(
      db,
      {
        projectId: records.project.id,
        about: `instead of ${containerId} in ${fit.bayId}`,
        basis: [without, pins],
      },
      async () => {
        const close = await runEngine('fit', { ...without, pins });
        return isWhole(close) ? close : runEngine('fit', without);
      },
    );
    if (!isWhole(answer)) continue;
    const names = [
      ...new Set(
        answer.placements
          .filter(({ groupId }) => losing.has(groupId))
          .map(
            (placement) =>
              request.containers.find(({ id }) => id === placement.containerId)?.name ?? '',
          ),
      ),
    ];
    found.push({
      bayId: fit.bayId,
      bayName: bayOf(records, fit.bayId).name,
      prefer: fit.prefer,
      answer: tidyFit(request, answer, 'spread'),
      names,
    });
  }
  return found;
}

function bayOf(records: Records<'units'>, bayId: BayId) {
  const bay = records.units.flatMap((unit) => unit.bays).find(({ id }) => id === bayId);
  if (!bay) throw new DataError('not_found', `there is no bay ${bayId}`);
  return bay;
}
