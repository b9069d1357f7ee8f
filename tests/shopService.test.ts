import { createRandom } from '@/core/shared';
import { listOffers } from '@/data/catalogueRepo';
import type { Db } from '@/data/db';
import { insertStarterCatalogue, postedGoods } from '@/data/starterCatalogue';
import { readShopService } from '@/server/shop/readShopService';
import { createStall } from '@/standins/shopService/stall';
import { startShopService, type RunningShopService } from '@/standins/shopService/startShopService';
import { aDatabase } from './builders';

let db: Db;
beforeEach(async () => {
  db = await aDatabase();
  await insertStarterCatalogue(db);
});
afterEach(() => db.destroy());

describe('the simulated shop service', () => {
  const stall = createStall(postedGoods(), createRandom(3));
  let service: RunningShopService;
  beforeAll(async () => {
    service = await startShopService({ port: 0, stall, name: 'Ottersby Storage, by post' });
  });
  afterAll(() => service.close());
  const read = () =>
    readShopService(db, `${service.address}/offers`, { timeoutMs: 300, tries: 2, pauseMs: 10 });
  const posted = async () =>
    (await listOffers(db)).filter(({ shopId }) => shopId === 'sample-shop-otter');

  test('prices and stock are read with their time; slow or down leaves them as they were', async () => {
    stall.changePrices();
    expect(await read()).toMatchObject({
      ok: true,
      value: { shopName: 'Ottersby Storage, by post', soldOutCount: 0 },
    });
    const before = await posted();
    expect(before.map(({ id, priceMinor }) => [id, priceMinor]).sort()).toEqual(
      stall
        .offers()
        .map(({ id, priceMinor }) => [id, priceMinor])
        .sort(),
    );
    expect(before.every(({ checkedAt }) => checkedAt !== null)).toBe(true);
    stall.changePrices();
    stall.setMood('down');
    expect(await read()).toEqual({ ok: false, error: { code: 'no_answer' } });
    stall.setMood('slow');
    expect(await read()).toEqual({ ok: false, error: { code: 'too_late' } });
    stall.setMood('well');
    expect(
      await readShopService(db, `${service.address}/state`, {
        timeoutMs: 300,
        tries: 1,
        pauseMs: 10,
      }),
    ).toEqual({ ok: false, error: { code: 'unreadable' } });
    expect(await posted()).toEqual(before);
  });

  test('only its own page may move the stock', async () => {
    const order = (origin: string) =>
      fetch(`${service.address}/do`, {
        method: 'POST',
        headers: { origin },
        body: JSON.stringify({ do: 'restock' }),
      });
    expect((await order('http://elsewhere.example')).status).toBe(403);
    expect((await order(service.address)).status).toBe(200);
    expect(
      (
        await fetch(`${service.address}/do`, {
          method: 'POST',
          body: JSON.stringify({ do: 'sell_out', offerId: 'nothing' }),
        })
      ).status,
    ).toBe(400);
  });
});
