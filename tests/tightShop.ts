import { shopRequestSchema, type ShopRequest } from '@/core/shop';
import { createRandom } from '@/core/shared';

interface ShopSize {
  readonly needs: number;
  readonly offers: number;
  readonly shops: number;
}

/**
 * A shopping list with everything that binds: fees that fall away above a limit, cards, packs beyond what is wanted,
 * offers that serve several needs, some with few packs. `budgetMinor` is to be set by whoever asks.
 */
export function tightShopOf(seed: number, size: ShopSize, budgetMinor = 1e9): ShopRequest {
  const random = createRandom(seed * 613 + size.needs);
  const between = (least: number, most: number) =>
    least + Math.floor(random() * (most - least + 1));
  const needs = Array.from({ length: size.needs }, (_, i) => ({
    id: `n${i}`,
    name: `need ${i}`,
    qty: between(1, 12),
    priority: (['must', 'should', 'nice', 'must', 'should'] as const)[i % 5] ?? 'must',
    value: between(1, 5),
  }));
  /** What a piece of each need costs, more or less. */
  const usual = needs.map(() => between(150, 900));
  const offers = Array.from({ length: size.offers }, (_, i) => {
    const need = i % size.needs;
    const also = (need + between(1, size.needs - 1)) % size.needs;
    const packSize = [1, 1, 2, 3, 4, 6, 10][between(0, 6)] ?? 1;
    const isShared = size.needs > 1 && random() < 0.12;
    return {
      id: `o${i}`,
      shopId: `s${between(0, size.shops - 1)}`,
      ...(isShared ? { needIds: [`n${need}`, `n${also}`] } : { needId: `n${need}` }),
      packSize,
      priceMinor: Math.round(packSize * usual[need]! * (0.7 + random() * 0.5) * packSize ** -0.1),
      ...(random() < 0.15 ? { maxPacks: between(1, 4) } : {}),
    };
  });
  const shops = Array.from({ length: size.shops }, (_, i) => ({
    id: `s${i}`,
    name: `shop ${i}`,
    deliveryMinor: i % 3 === 0 ? 0 : between(300, 900),
    ...(i % 3 === 1 ? { freeOverMinor: between(20, 80) * 100 } : {}),
  }));
  const credits = shops.flatMap(({ id }, i) =>
    i % 4 === 1 ? [{ shopId: id, amountMinor: between(5, 30) * 100 }] : [],
  );
  return shopRequestSchema.parse({ needs, offers, shops, credits, budgetMinor, seed });
}
