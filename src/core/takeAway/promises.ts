import type { Room } from '../look';
import { personOf, type Thing } from '../sort';
import type { Fetch, HandoverLine, Handover, Sale } from './model';
import { conditionOf, saleStateOf, type SaleState } from './proof';
import type { LeavingThing } from './whatLeaves';

/** Something that is offered, or was sold. */
export interface ForSale {
  readonly thing: Thing;
  readonly roomName: string;
  readonly sale: Sale | undefined;
  readonly state: SaleState;
  readonly condition: HandoverLine['condition'];
}
/** A person for whom something waits. */
export interface ForPerson {
  readonly person: string;
  readonly names: readonly string[];
  readonly fetch: Fetch | undefined;
  readonly isOverdue: boolean;
  readonly since: string;
}
interface Facts {
  readonly leaving: readonly LeavingThing[];
  readonly things: readonly Thing[];
  readonly rooms: readonly Pick<Room, 'id' | 'name'>[];
  readonly sales: readonly Sale[];
  readonly fetches: readonly Fetch[];
  readonly handovers: readonly Handover[];
}

/** What waits to be sold, and what a sale was noted of; what wants a hand first. */
export function salesOf({ leaving, things, rooms, sales }: Facts, today: string): ForSale[] {
  const waiting = leaving.filter(({ stream }) => stream === 'sell').map(({ thing }) => thing);
  const noted = things.filter(
    ({ id }) =>
      sales.some(({ thingId }) => thingId === id) && !waiting.some((thing) => thing.id === id),
  );
  const order: readonly SaleState[] = ['overdue', 'to_offer', 'reserved', 'asked', 'sold'];
  return [...waiting, ...noted]
    .map((thing): ForSale => {
      const sale = sales.find(({ thingId }) => thingId === thing.id);
      return {
        thing,
        roomName: rooms.find(({ id }) => id === thing.roomId)?.name ?? '',
        sale,
        state: sale ? saleStateOf(sale, today) : 'to_offer',
        condition: conditionOf(thing),
      };
    })
    .sort((a, b) => order.indexOf(a.state) - order.indexOf(b.state));
}

/** What waits for people, whoever is overdue first. */
export function promisedOf({ leaving, fetches }: Facts, today: string): ForPerson[] {
  const own = leaving.filter(({ stream }) => stream === 'person');
  const people = [...new Set(own.map(({ thing }) => personOf(thing) ?? thing.to))];
  return people
    .map((person): ForPerson => {
      const theirs = own.filter(({ thing }) => (personOf(thing) ?? thing.to) === person);
      const fetch = fetches.find((each) => each.person.toLowerCase() === person.toLowerCase());
      return {
        person,
        names: theirs.map(({ thing }) => `${thing.count} ${thing.name}`),
        fetch,
        isOverdue: fetch?.byDay !== null && fetch !== undefined && fetch.byDay < today,
        since: theirs[0]?.since ?? '',
      };
    })
    .sort((a, b) => Number(b.isOverdue) - Number(a.isOverdue) || a.person.localeCompare(b.person));
}
