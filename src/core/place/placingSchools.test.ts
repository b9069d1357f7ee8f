import { aGroup } from '@test/builders';
import { placingSchema } from '../sort';
import { pairBySchool, scaleUses, schoolWeightOf } from './placingSchools';

const placing = (change: object) => placingSchema.parse(change);
const ofTom = aGroup({
  id: 'a',
  placing: placing({ userIds: ['tom'], stationId: 'vice', withIds: ['c', 'gone', 'a'] }),
});
const alsoTom = aGroup({ id: 'b', placing: placing({ userIds: ['tom'] }) });
const atVice = aGroup({
  id: 'c',
  placing: placing({ userIds: ['tom', 'ida'], stationId: 'vice' }),
});
test('schools bring together what is one person’s or of one task; what was said to belong together counts most', () => {
  const all = [ofTom, alsoTom, atVice];
  expect(pairBySchool(all, {})).toEqual([{ a: 'a', b: 'c', weight: 6 }]);
  expect(pairBySchool(all, { grouping: 'person' })).toEqual([
    { a: 'a', b: 'c', weight: 6 },
    { a: 'a', b: 'b', weight: 3 },
  ]);
  expect(pairBySchool(all, { grouping: 'task', living: 'together' })).toEqual([
    { a: 'a', b: 'c', weight: 18 },
  ]);
  expect([14, 3, 0.2].map((uses) => scaleUses(uses, { grouping: 'frequency' }))).toEqual([
    28, 3, 0.1,
  ]);
});

test('a metre counts three times as much to those who would have it all together', () =>
  expect([schoolWeightOf({}), schoolWeightOf({ living: 'together' })]).toEqual([3, 9]));
