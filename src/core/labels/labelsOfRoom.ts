import type { Person, Terms } from '../agree';
import { schoolIn, type Room, type Unit } from '../look';
import { keptLitresOf, type Group, type Thing } from '../sort';
import type { ContainerProduct, TakenFit } from '../fit';
import { listLabels, type LabelSpot } from './listLabels';
import { emptyLabeling, labelKeyOf, type Labeling } from './model';

/** Whether a room's labels are made: now, once the room has settled, or not at all. */
export type LabelState = 'now' | 'settles' | 'none';

export const labelStateOf = (
  room: Pick<Room, 'schools'>,
  terms: Pick<Terms, 'schools'>,
): LabelState =>
  (({ 'at-once': 'now', settled: 'settles', none: 'none' }) as const)[
    schoolIn('labels', room.schools, terms.schools)?.choice ?? 'at-once'
  ];

interface HomeRecords {
  readonly terms: Pick<Terms, 'schools'>;
  readonly room: Room;
  /** Of the room. */
  readonly units: readonly Unit[];
  /** Of the home: what lives in the room's places counts, whichever room it came from. */
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly fits: readonly TakenFit[];
  readonly products: readonly ContainerProduct[];
  readonly people: readonly Person[];
  readonly labelings: readonly Labeling[];
}
export interface RoomLabels {
  readonly state: LabelState;
  readonly labeling: Labeling;
  readonly spots: readonly LabelSpot[];
}

/**
 * A room's labels by its way of working. Where labels wait until the room has settled, they are made from where
 * things then are: a group that stands elsewhere than it was to live is labelled where it stands.
 */
export function labelsOfRoom(records: HomeRecords): RoomLabels {
  const state = labelStateOf(records.room, records.terms);
  const labeling =
    records.labelings.find(({ id }) => id === records.room.id) ?? emptyLabeling(records.room.id);
  const groups = records.groups
    .filter((group) => keptLitresOf(group, records.things) > 0)
    .map((group) =>
      state === 'settles' && group.standsBayId !== null
        ? { ...group, bayId: group.standsBayId }
        : group,
    );
  return {
    state,
    labeling,
    spots: state === 'none' ? [] : listLabels({ ...records, groups, choices: labeling.choices }),
  };
}

/** What still has to be made; what is made stays made, whatever its group is called by now. */
export function openLabels({
  spots,
  labeling,
}: Pick<RoomLabels, 'spots' | 'labeling'>): readonly LabelSpot[] {
  const made = new Set(labeling.made.map(labelKeyOf));
  return spots.filter(({ key, isLeftOut }) => !isLeftOut && !made.has(key));
}
