import { chooseDraftAction } from '@/app/actions/drafts';
import { arrangeFront, scaleToFit } from '@/core/look';
import { compareArrangements, drawPlaces } from '@/core/place';
import type { RoomId } from '@/core/shared';
import type { OpenHome } from '@/server/desk/openRoom';
import { loadArrangement, slipsOf } from '@/server/place/loadArrangement';
import { CompareView, type CompareSide } from '@/ui/place/CompareView';
import { countWays } from '@/server/look/waysOfHome';
import { waysNote } from '@/ui/look/wayWords';

export interface ComparePageProps<Params> {
  readonly params: Promise<Params>;
  readonly searchParams: Promise<{ a?: string | string[]; b?: string | string[] }>;
}

const LOOKED_NOTE =
  'Time a week counts the looking too, where tests and walks showed in which place a thing is sought first.';

/** So large a room is drawn from the front at most. */
const DRAWN_PX = { widthPx: 400, heightPx: 330 };

interface CompareScreenProps {
  readonly records: OpenHome<
    'drafts' | 'fixtures' | 'passages' | 'people' | 'putAwayTests'
  >['records'];
  /** A room, or null for the whole home. */
  readonly scope: RoomId | null;
  readonly asked: Awaited<ComparePageProps<never>['searchParams']>;
}

/** Two arrangements of a room or of the whole home: today against the chosen one, unless others are asked for. */
export function CompareScreen({ records, scope, asked }: CompareScreenProps) {
  const [a, b] = [
    loadArrangement({ records, scope }, asked.a ?? 'today'),
    loadArrangement({ records, scope }, asked.b),
  ];
  const placesOf = ({ groups }: typeof a) =>
    Object.fromEntries(groups.map(({ id, bayId }) => [id, bayId]));
  const toSide = ({ shownRef, judged, awayIds }: typeof a): CompareSide => ({
    ref: shownRef,
    judged,
    awayIds,
  });
  const changes = a.zones
    ? compareArrangements(a.zones, {
        from: placesOf(a),
        to: placesOf(b),
        backShares: a.backShares,
      })
    : [];
  const changedBays = new Set(changes.flatMap(({ fromBayId, toBayId }) => [fromBayId, toBayId]));
  const drawings = records.rooms.flatMap((room) => {
    const units = records.units.filter(({ roomId }) => roomId === room.id);
    const isChanged = units.some(({ bays }) => bays.some(({ id }) => changedBays.has(id)));
    if ((scope !== null && room.id !== scope) || !isChanged) return [];
    const sketch = drawPlaces({
      units,
      groups: b.groups,
      before: a.groups,
      things: records.things,
      measureUnit: records.project.units,
      penMm: 1 / scaleToFit(arrangeFront(units), DRAWN_PX),
    });
    return [{ roomName: room.name, sketch }];
  });
  return (
    <CompareView
      drawings={drawings}
      slips={slipsOf({ records, scope })}
      sides={[toSide(a), toSide(b)]}
      changes={changes}
      notes={[
        ...(scope === null ? [waysNote(countWays(records))] : []),
        ...(a.zones?.groups.some(({ sought }) => sought) ? [LOOKED_NOTE] : []),
      ].filter((note) => note !== '')}
      groups={records.groups
        .filter(({ roomId }) => scope === null || roomId === scope)
        .map(({ id, name }) => ({ id, name }))}
      people={records.people.map(({ id, name }) => ({ id, name }))}
      bayNames={a.bayNames}
      onChoose={chooseDraftAction.bind(null, records.project.id, scope)}
    />
  );
}
