import type { Purchase } from './records';

/** More of a container than a room's fits call for. */
export interface Leftover {
  readonly containerId: string;
  readonly label: string;
  readonly pieces: number;
  /** The purchases that it can go back from, the nearest last day first; without a day last. */
  readonly purchases: readonly Purchase[];
  /** Other rooms that still want some, and how many. */
  readonly wantedElsewhere: readonly { readonly roomId: string; readonly pieces: number }[];
}

interface LeftoverRequest {
  readonly purchases: readonly Purchase[];
  /** Pieces of a container in the room's taken fits. */
  readonly wantedOf: (containerId: string) => number;
  /** Pieces that the household owned before. */
  readonly ownedOf: (containerId: string) => number;
  /** What other rooms still have to buy of a container. */
  readonly shortElsewhere: (containerId: string) => Leftover['wantedElsewhere'];
}

export const keptPiecesOf = ({
  pieces,
  returnedPieces,
}: Pick<Purchase, 'pieces' | 'returnedPieces'>): number => Math.max(0, pieces - returnedPieces);

/**
 * What was bought beyond what the fits call for: owned pieces are used first, so that bought ones
 * go back.
 */
export function findLeftovers({
  purchases,
  wantedOf,
  ownedOf,
  shortElsewhere,
}: LeftoverRequest): Leftover[] {
  const ids = [
    ...new Set(
      purchases.flatMap(({ containerId }) => (containerId === null ? [] : [containerId as string])),
    ),
  ];
  return ids.flatMap((containerId): Leftover[] => {
    const lines = purchases.filter(
      (purchase) => purchase.containerId === containerId && keptPiecesOf(purchase) > 0,
    );
    const kept = lines.reduce((sum, purchase) => sum + keptPiecesOf(purchase), 0);
    const pieces = kept - Math.max(0, wantedOf(containerId) - ownedOf(containerId));
    if (pieces <= 0) return [];
    const byDay = [...lines].sort((a, b) =>
      (a.returnBy ?? '9999').localeCompare(b.returnBy ?? '9999'),
    );
    return [
      {
        containerId,
        label: lines[0]?.label ?? '',
        pieces: Math.min(pieces, kept),
        purchases: byDay,
        wantedElsewhere: shortElsewhere(containerId),
      },
    ];
  });
}
