import type { Terms } from '../agree';
import type { Purchase } from '../shop';
import { visitStateOf } from './visitState';
import type { Visit } from './model';
import { addUpHours, isSamePerson, visitMinutesOf } from './visitTime';

/** Hours on a statement, each line with the record that it comes from. */
export interface HoursLine {
  readonly source: { readonly kind: 'visit' | 'room'; readonly id: string };
  /** Of a visit; null where hours were typed for a room. */
  readonly day: string | null;
  readonly what: string;
  readonly people: readonly string[];
  /** As the clock or a correction has it, and as the rounding rule makes of it. */
  readonly minutes: number;
  readonly roundedMinutes: number;
  readonly isCorrected: boolean;
  readonly feeMinor: number;
}
/** Money on a statement: paid by the organizer's side, or given back to it (negative). */
export interface PaidLine {
  readonly purchaseId: string;
  readonly roomId: string;
  readonly day: string;
  readonly shopName: string;
  readonly what: string;
  readonly paidBy: string;
  readonly amountMinor: number;
  readonly kind: 'bought' | 'returned';
}
export interface Statement {
  readonly hours: readonly HoursLine[];
  readonly minutes: number;
  readonly feeMinor: number;
  readonly taxMinor: number;
  readonly paid: readonly PaidLine[];
  readonly paidMinor: number;
  readonly returnedMinor: number;
  readonly totalMinor: number;
  /** Bought in the time, and nobody has said who paid: on no statement. */
  readonly unsaid: { readonly count: number; readonly minor: number };
}

interface StatementFacts {
  readonly terms: Pick<Terms, 'hourlyRateMinor' | 'statement'>;
  readonly rooms: readonly {
    readonly id: Parameters<typeof addUpHours>[0][number]['id'];
    readonly name: string;
    readonly workedMinutes: number | null;
  }[];
  readonly sections: readonly (Parameters<typeof addUpHours>[1][number] & {
    readonly name: string;
  })[];
  readonly visits: readonly Visit[];
  readonly purchases: readonly Purchase[];
  /** Organizers and helpers: what they paid is owed to them. */
  readonly people: readonly string[];
  /** Days from and to which it reaches, both counted; null: without an end. */
  readonly from: string | null;
  readonly to: string | null;
}

/**
 * What the client owes for a time: hours of lived visits, each rounded by the rule and multiplied by the
 * rate, tax on the fee, and what organizers paid less what came back. Hours typed for a room count instead
 * of its visits: the difference is a line of its own, where the whole time is asked for. Fees in minor
 * units add up to the rate times all rounded minutes, to the half of a unit.
 */
export function makeStatement(facts: StatementFacts): Statement {
  const { terms, from, to } = facts;
  const isWithin = (day: string) => (from === null || day >= from) && (to === null || day <= to);
  const lines = [
    ...facts.visits.flatMap((visit) => (isWithin(visit.day) ? visitLine(visit, facts) : [])),
    ...(from === null && to === null ? roomLines(facts) : []),
  ];
  const minutes = lines.reduce((sum, line) => sum + line.roundedMinutes, 0);
  const feeUpTo = (count: number) => {
    const sofar = lines.slice(0, count).reduce((sum, line) => sum + line.roundedMinutes, 0);
    return Math.round((sofar / 60) * terms.hourlyRateMinor);
  };
  const feeMinor = feeUpTo(lines.length);
  const taxMinor = Math.round((feeMinor * terms.statement.taxBasisPoints) / 10_000);
  const bought = facts.purchases.filter(({ boughtAt }) => isWithin(boughtAt.slice(0, 10)));
  const paid = bought.flatMap((purchase) => paidLines(purchase, facts.people));
  const sumOf = (kind: PaidLine['kind']) =>
    paid.filter((line) => line.kind === kind).reduce((sum, line) => sum + line.amountMinor, 0);
  const unsaid = bought.filter(({ paidBy }) => paidBy === '');
  return {
    // What each line adds to the fee so far: rounded so, they add up to it.
    hours: lines.map((line, i) => ({ ...line, feeMinor: feeUpTo(i + 1) - feeUpTo(i) })),
    minutes,
    feeMinor,
    taxMinor,
    paid,
    paidMinor: sumOf('bought'),
    returnedMinor: -sumOf('returned'),
    totalMinor: feeMinor + taxMinor + sumOf('bought') + sumOf('returned'),
    unsaid: {
      count: unsaid.length,
      minor: unsaid.reduce((sum, { paidMinor, cardMinor }) => sum + paidMinor - cardMinor, 0),
    },
  };
}

type OpenLine = Omit<HoursLine, 'feeMinor'>;

function visitLine(visit: Visit, { sections, terms }: StatementFacts): OpenLine[] {
  if (visitStateOf(visit) !== 'lived') return [];
  const minutes = visitMinutesOf(visit, visit.leftAt ?? '') ?? 0;
  return [
    {
      source: { kind: 'visit', id: visit.id },
      day: visit.day,
      what: visit.sectionIds
        .flatMap((id) => sections.find((section) => section.id === id)?.name ?? [])
        .join(', '),
      people: visit.people,
      minutes,
      roundedMinutes: roundMinutes(minutes, terms.statement),
      isCorrected: visit.correctedMinutes !== null,
    },
  ];
}

/** By how much hours typed for a room differ from those of its visits. */
function roomLines({ rooms, sections, visits, terms }: StatementFacts): OpenLine[] {
  const bare = rooms.map(({ id }) => ({ id, workedMinutes: null }));
  const { byRoom } = addUpHours(bare, sections, visits);
  return rooms.flatMap(({ id, name, workedMinutes }): OpenLine[] => {
    if (workedMinutes === null) return [];
    const minutes = workedMinutes - (byRoom.get(id)?.minutes ?? 0);
    const sign = minutes < 0 ? -1 : 1;
    const roundedMinutes = sign * roundMinutes(Math.abs(minutes), terms.statement);
    return roundedMinutes === 0
      ? []
      : [
          {
            source: { kind: 'room', id },
            day: null,
            what: name,
            people: [],
            minutes,
            roundedMinutes,
            isCorrected: true,
          },
        ];
  });
}

/** To a multiple of the rule's minutes: up, or to the nearest. */
export function roundMinutes(
  minutes: number,
  { roundMinutes: step, roundsUp }: Terms['statement'],
): number {
  // Seconds that a clock ran over are no new quarter of an hour.
  return (roundsUp ? Math.ceil(Math.floor(minutes) / step) : Math.round(minutes / step)) * step;
}

function paidLines(purchase: Purchase, people: readonly string[]): PaidLine[] {
  if (!people.some((name) => isSamePerson(name, purchase.paidBy))) return [];
  const own = purchase.paidMinor - purchase.cardMinor;
  // What a gift card paid comes back to the card first.
  const back = Math.min(own, purchase.refundMinor);
  const line = {
    purchaseId: purchase.id,
    roomId: purchase.roomId,
    day: purchase.boughtAt.slice(0, 10),
    shopName: purchase.shopName,
    what: purchase.label,
    paidBy: purchase.paidBy,
  };
  return [
    ...(own > 0 ? [{ ...line, amountMinor: own, kind: 'bought' as const }] : []),
    ...(back > 0 ? [{ ...line, amountMinor: -back, kind: 'returned' as const }] : []),
  ];
}

/** A statement on one page: what does not go on it line by line is told by month and by shop. */
interface ShortStatement {
  readonly hours: readonly Pick<
    HoursLine,
    'day' | 'what' | 'people' | 'roundedMinutes' | 'feeMinor'
  >[];
  readonly paid: readonly Pick<PaidLine, 'day' | 'shopName' | 'what' | 'amountMinor' | 'kind'>[];
}

/** Hours and purchases in at most so many lines each; sums are the same. */
export function condenseStatement(
  { hours, paid }: Pick<Statement, 'hours' | 'paid'>,
  mostLines: number,
): ShortStatement {
  return {
    hours:
      hours.length <= mostLines
        ? hours
        : groupBy(hours, ({ day }) => day?.slice(0, 7) ?? '').map(([month, own]) => ({
            day: month === '' ? null : `${month}-01`,
            what: `${own.length} visits`,
            people: [...new Set(own.flatMap(({ people }) => people))],
            roundedMinutes: own.reduce((sum, line) => sum + line.roundedMinutes, 0),
            feeMinor: own.reduce((sum, line) => sum + line.feeMinor, 0),
          })),
    paid:
      paid.length <= mostLines
        ? paid
        : groupBy(paid, ({ kind, shopName }) => `${kind} ${shopName}`).map(([, own]) => ({
            ...own[0]!,
            what: `${own.length} lines`,
            amountMinor: own.reduce((sum, line) => sum + line.amountMinor, 0),
          })),
  };
}

function groupBy<T>(items: readonly T[], keyOf: (item: T) => string): [string, T[]][] {
  const groups = new Map<string, T[]>();
  for (const item of items) groups.set(keyOf(item), [...(groups.get(keyOf(item)) ?? []), item]);
  return [...groups];
}
