import { splitMinor } from './splitMinor';

/** Who gets how many pieces of a line. */
interface LinePart {
  readonly pieces: number;
}
/** What was bought of it. */
interface BoughtLine {
  readonly pieces: number;
  readonly paid: number;
  readonly card: number;
  readonly expectedMinor: number | null;
}

/**
 * Shares what was bought of one line out: its pieces to the parts in their order, what is beyond them to the
 * last; its money by those pieces, by what the parts were to get where there are none (a delivery).
 * Ensures: pieces and money add up to what was bought; parts that get nothing are left out.
 */
export function shareLine<P extends LinePart, B extends BoughtLine>(
  parts: readonly P[],
  { pieces, paid, card, expectedMinor, ...facts }: B,
): (P &
  Omit<B, keyof BoughtLine> & {
    pieces: number;
    paidMinor: number;
    cardMinor: number;
    expectedMinor: number | null;
  })[] {
  let left = pieces;
  const counts = parts.map((part, i) => {
    const count = i === parts.length - 1 ? left : Math.min(left, part.pieces);
    left -= count;
    return count;
  });
  const weights = pieces > 0 ? counts : parts.map((part) => part.pieces);
  const [paidParts, cardParts, expectedParts] = [paid, card, expectedMinor ?? 0].map((minor) =>
    splitMinor(minor, weights),
  );
  return parts.flatMap((part, i) => {
    const paidMinor = paidParts?.[i] ?? 0;
    if ((counts[i] ?? 0) === 0 && paidMinor === 0) return [];
    return [
      {
        ...facts,
        ...part,
        pieces: counts[i] ?? 0,
        paidMinor,
        cardMinor: cardParts?.[i] ?? 0,
        expectedMinor: expectedMinor === null ? null : (expectedParts?.[i] ?? 0),
      },
    ];
  });
}
