import fc from 'fast-check';

import { shopRequestArb } from '@test/shopArbitrary';
import { cpuClock as clock } from '@test/cpuClock';
import { loadSolver } from '../shared';
import { cutToOffer, planShop } from '.';

test('what nobody has is named, and never empties the list of the rest', async () => {
  const solver = await loadSolver();
  fc.assert(
    fc.property(shopRequestArb, (asked) => {
      const { request, lacking } = cutToOffer(asked);
      const lackOf = (id: string) => lacking.find(({ needId }) => needId === id)?.qty ?? 0;
      expect(request.needs.map(({ id, qty }) => qty + lackOf(id))).toEqual(
        asked.needs.map(({ qty }) => qty),
      );
      const refused = (wanted: typeof asked) =>
        planShop(wanted, { solver, clock })
          .reasons.filter(({ code }) => code === 'must_not_on_offer')
          .map(({ subject }) => subject);
      expect(refused(request)).toEqual([]);
      // Only what the whole list could not have is cut.
      for (const subject of refused(asked)) expect(lackOf(subject)).toBeGreaterThan(0);
    }),
    { numRuns: 80 },
  );
}, 120_000);
