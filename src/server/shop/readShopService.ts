import 'server-only';

import { z } from 'zod';

import { err, ok, type Result } from '@/core/shared';
import type { Db } from '@/data/db';
import { listOffers } from '@/data/catalogueRepo';
import { offerRecord, putShared } from '@/data/records';
import { nowIso } from '../means';

/** Where the service of a shop, real or simulated, offers its prices; see docs/devices.md. */
export const shopServiceAddressOf = (env: Readonly<Record<string, string | undefined>>): string =>
  env.TINBOX_SHOP_SERVICE ?? 'http://127.0.0.1:4319/offers';

/** Prices and stock as a shop's service gives them. Source: docs/devices.md. */
const serviceAnswerSchema = z.object({
  format: z.literal('tin-box-offers'),
  version: z.literal(1),
  shop: z.string().min(1).max(80),
  offers: z
    .array(
      z.object({
        id: z.string().min(1).max(100),
        packSize: z.number().int().min(1).max(1000),
        priceMinor: z.number().int().min(0).max(1e9),
        inStock: z.number().int().min(0).max(1_000_000),
        aisle: z.string().max(20).default(''),
      }),
    )
    .max(5000),
});

interface ServiceReading {
  readonly changedCount: number;
  readonly soldOutCount: number;
  readonly shopName: string;
}
export type ServiceFault = { readonly code: 'no_answer' | 'too_late' | 'unreadable' };

interface Patience {
  readonly timeoutMs: number;
  readonly tries: number;
  readonly pauseMs: number;
}
/** In all under five seconds, even where every try runs out. */
const USUAL: Patience = { timeoutMs: 1200, tries: 3, pauseMs: 250 };

/**
 * Asks a shop's service and writes down what it says of offers that are on the price list, with the
 * time. Where it does not answer in time, tries again twice; then everything stays as it was last
 * read. Offers that it does not name are left alone.
 */
export async function readShopService(
  db: Db,
  address: string,
  patience: Patience = USUAL,
): Promise<Result<ServiceReading, ServiceFault>> {
  const asked = await ask(address, patience);
  if (!asked.ok) return asked;
  const known = await listOffers(db);
  const now = nowIso();
  const updates = asked.value.offers.flatMap(({ id, ...told }) => {
    const offer = known.find((candidate) => candidate.id === id);
    return offer
      ? [
          {
            before: offer,
            after: {
              ...offer,
              ...told,
              aisle: told.aisle === '' ? offer.aisle : told.aisle,
              checkedAt: now,
            },
          },
        ]
      : [];
  });
  await db.transaction(async (trx) => {
    for (const { after } of updates) await putShared(trx, offerRecord, after);
  });
  return ok({
    shopName: asked.value.shop,
    changedCount: updates.filter(
      ({ before, after }) =>
        before.priceMinor !== after.priceMinor || before.packSize !== after.packSize,
    ).length,
    soldOutCount: updates.filter(({ after }) => after.inStock === 0).length,
  });
}

const FAULTS: Readonly<Record<string, ServiceFault['code']>> = {
  TimeoutError: 'too_late',
  SyntaxError: 'unreadable',
};
const nameOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'name' in error ? String(error.name) : '';

async function ask(
  address: string,
  { timeoutMs, tries, pauseMs }: Patience,
): Promise<Result<z.output<typeof serviceAnswerSchema>, ServiceFault>> {
  let fault: ServiceFault = { code: 'no_answer' };
  for (let attempt = 0; attempt < tries; attempt += 1) {
    if (attempt > 0) await new Promise((resolve) => setTimeout(resolve, pauseMs * attempt));
    try {
      const response = await fetch(address, {
        signal: AbortSignal.timeout(timeoutMs),
        headers: { accept: 'application/json' },
        cache: 'no-store',
        redirect: 'error',
      });
      if (!response.ok) {
        fault = { code: 'no_answer' };
        continue;
      }
      const parsed = serviceAnswerSchema.safeParse(await response.json());
      // What cannot be read now will not be readable a second later.
      return parsed.success ? ok(parsed.data) : err({ code: 'unreadable' });
    } catch (error) {
      fault = { code: FAULTS[nameOf(error)] ?? 'no_answer' };
    }
  }
  return err(fault);
}
