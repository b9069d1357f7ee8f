import { containerIdsOf } from '@/core/fit';
import sharp from 'sharp';

import type { Project } from '@/core/agree';
import { formatMoneyInput, invariant, roomIdSchema } from '@/core/shared';
import type { Db } from '@/data/db';
import { loadRecords } from '@/data/records';
import { approveNeed } from '@/server/shop/buying';
import { addReceipt, dayOf } from '@/server/shop/receipts';

/** So many of the room's lines have the client's yes. */
const APPROVED_COUNT = 4;

/**
 * The client's yes to the first lines of a room's list, and the receipt of the first shop with its
 * picture.
 */
export async function seedMoney(
  db: Db,
  dataDir: string,
  { project, roomKey }: { readonly project: Project; readonly roomKey: string },
): Promise<void> {
  const { purchases, fits, units } = await loadRecords(
    db,
    project.id,
    'fits',
    'purchases',
    'units',
  );
  const roomId = roomIdSchema.parse(roomKey);
  const bayIds = new Set(
    units.filter((unit) => unit.roomId === roomId).flatMap((unit) => unit.bays.map(({ id }) => id)),
  );
  const needIds = new Set(
    fits
      .filter(({ bayId }) => bayIds.has(bayId))
      .flatMap(({ answer }) => containerIdsOf(answer))
      .filter((id) => id.startsWith('sample-')),
  );
  for (const needId of [...needIds].slice(0, APPROVED_COUNT))
    await approveNeed(db, project.id, { roomId, needId, isApproved: true });
  const own = purchases.filter((purchase) => purchase.roomId === roomId);
  const first = own[0];
  invariant(first, 'the demo has bought something');
  const lines = own.filter(({ shopName }) => shopName === first.shopName);
  // The bags at the till were on nobody's list.
  const totalMinor = lines.reduce((sum, { paidMinor }) => sum + paidMinor, 0) + 30;
  const words = [
    first.shopName,
    dayOf(first.boughtAt),
    '',
    ...lines.map(
      ({ label, paidMinor }) =>
        `${label.slice(0, 22).padEnd(24)}${formatMoneyInput(paidMinor).padStart(7)}`,
    ),
    `${'Carrier bags'.padEnd(24)}${'0.30'.padStart(7)}`,
    '',
    `${'Total'.padEnd(24)}${formatMoneyInput(totalMinor).padStart(7)}`,
  ];
  const kept = await addReceipt(db, dataDir, project.id, {
    shopName: first.shopName,
    boughtOn: dayOf(first.boughtAt),
    totalMinor,
    bytes: await drawReceipt(words),
  });
  invariant(kept.ok, 'a drawn receipt is a picture');
}

/** A slip of paper on a table, drawn. */
async function drawReceipt(lines: readonly string[]): Promise<Uint8Array> {
  const height = 120 + lines.length * 34;
  const text = lines
    .map(
      (line, i) =>
        `<text x="70" y="${100 + i * 34}" font-family="monospace" font-size="22" ` +
        `xml:space="preserve" fill="#33302a">${line.replace(/&/g, '&amp;').replace(/</g, '&lt;')}` +
        '</text>',
    )
    .join('');
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="620" height="${height + 60}"><rect ` +
    `width="100%" height="100%" fill="#8d7b62"/><rect x="40" y="40" width="540" height="${height}` +
    `" fill="#fdfcf8"/>${text}</svg>`;
  return new Uint8Array(await sharp(Buffer.from(svg)).jpeg().toBuffer());
}
