import { writeCsvTable } from '../exchange/csvTable';

/** The columns of the open format, in their order; documented in docs/formats.md. */
const columns = ['shop', 'aisle', 'item', 'packs', 'pieces', 'price', 'rooms'] as const;

interface TripTable {
  readonly shopName: string;
  readonly lines: readonly {
    readonly aisle: string;
    readonly label: string;
    readonly packs: string;
    readonly pieces: number;
    readonly priceMinor: number;
    readonly parts: readonly { readonly roomId: string; readonly pieces: number }[];
  }[];
}

/** The list of the trip as CSV, shop by shop in the order of walking. */
export const writeTripCsv = (
  lists: readonly TripTable[],
  roomName: (roomId: string) => string,
): string =>
  writeCsvTable(
    columns,
    lists.flatMap(({ shopName, lines }) =>
      lines.map((line) => ({
        shop: shopName,
        aisle: line.aisle,
        item: line.label,
        packs: line.packs,
        pieces: String(line.pieces),
        price: (line.priceMinor / 100).toFixed(2),
        rooms: line.parts
          .map(({ roomId, pieces }) =>
            line.pieces === 0 ? roomName(roomId) : `${pieces} ${roomName(roomId)}`,
          )
          .join('; '),
      })),
    ),
  );
