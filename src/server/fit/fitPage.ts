import 'server-only';

import { adviseInsides } from '@/core/fit';
import { bayInsideOf, findShelvesBeside, hasInside, type Bay } from '@/core/look';
import { walkBays } from '@/core/place';
import type { OpenRoom } from '../desk/openRoom';
import { listOpenPlaces } from './openPlaces';
import {
  askedWith,
  checkTakenFit,
  listFitContainers,
  litresEachOf,
  toFitQuestion,
} from './takeFit';

type Opened = Pick<OpenRoom<'fitWishes' | 'people' | 'shortages'>, 'db' | 'records' | 'own'>;

/**
 * Works out what the page of a fit shows: of the place that was asked for, else of the first that has
 * groups and no fit. Undefined where the room has no such place.
 */
export async function loadFitPage(
  { db, records, own }: Opened,
  asked: string | undefined,
  foundLitres?: number,
) {
  const bays = walkBays(own.units).filter((bay) => !bay.outOfScope && hasInside(bay));
  const filled = bays.filter((bay) =>
    records.groups.some((group) => group.bayId === bay.id && !group.loose),
  );
  const isTaken = ({ id }: Bay) => own.fits.some((fit) => fit.bayId === id);
  const bay =
    bays.find(({ id }) => id === asked) ?? filled.find((each) => !isTaken(each)) ?? filled[0];
  if (!bay) return undefined;
  const priced = await listFitContainers(db, records);
  const requestOf = (bayId: Bay['id']) => toFitQuestion(records, priced, { bayId, prefer: 'cost' });
  const counted = requestOf(bay.id);
  // As much as lay there when somebody looked, where that is asked for.
  const request = askedWith(counted, foundLitres);
  const taken = own.fits.find((fit) => fit.bayId === bay.id);
  const unit = own.units.find(({ id }) => id === bay.unitId);
  const open = listOpenPlaces(records, priced);
  const wishes = records.fitWishes.find(({ bayId }) => bayId === bay.id);
  const nameOf = (id: string) =>
    [...records.containers, ...records.groups].find((each) => each.id === id)?.name ?? id;
  return {
    bay,
    unit,
    request,
    taken,
    inside: bayInsideOf(bay),
    /** What is counted there, where the page asks with what was found instead. */
    countedLitres: counted.groups.reduce((sum, group) => sum + group.litres, 0),
    litres: request.groups.reduce((sum, group) => sum + group.litres, 0),
    litresEach: litresEachOf(records, request),
    walk: (filled.length > 0 ? filled : bays).map((each) => ({
      id: each.id,
      name: each.name,
      isTaken: isTaken(each),
    })),
    forbidden: (wishes?.forbidden ?? []).map((id) => ({
      id,
      name: nameOf(id),
      container: priced.find((each) => each.id === id),
    })),
    nameOf,
    owned: records.containers.filter(({ projectId }) => projectId !== null),
    broken: taken ? checkTakenFit(records, priced, taken) : [],
    shelves: listMovableShelves({ unit, bay, filled, requestOf }),
    roomOpen: { ...open, places: open.places.filter((place) => place.roomId === own.room.id) },
    homeOpenCount: open.places.length,
    tips: unit
      ? adviseInsides({
          bay,
          unitKind: unit.kind,
          question: request,
          answer: taken?.answer,
          products: records.containers,
          people: records.people,
        })
      : [],
  };
}

/** Shelves beside the place that can move between two that are filled, each with the question of its height. */
function listMovableShelves({
  unit,
  bay,
  filled,
  requestOf,
}: {
  readonly unit: OpenRoom<never>['own']['units'][number] | undefined;
  readonly bay: Bay;
  readonly filled: readonly Bay[];
  readonly requestOf: (bayId: Bay['id']) => ReturnType<typeof toFitQuestion>;
}) {
  if (!unit?.holePitch) return [];
  const pitchMm = unit.holePitch.mm;
  const beside = findShelvesBeside(
    unit.bays.filter((other) => filled.some(({ id }) => id === other.id)),
    bay,
  );
  return beside.map(({ lower, upper }) => ({
    key: `${lower.id}-${upper.id}`,
    lowerName: lower.name,
    upperName: upper.name,
    question: { lower: requestOf(lower.id), upper: requestOf(upper.id), pitchMm },
  }));
}
