import { deedCodes, parseDeed, writeDeed } from '@/core/home';
import { sayDeed } from './homeWords';

test.each(deedCodes)('%s has words, and they name what it was done to', (code) => {
  const deed = { code, name: 'Mugs', place: 'Shelf 2', draft: 'chosen', count: 3 } as const;
  const said = sayDeed(parseDeed(writeDeed(deed)));
  expect(said).toMatch(/^[a-z]/);
  expect(said).not.toMatch(/undefined|\{|\$/);
});

test.each([
  [{ code: 'group_put', name: 'Mugs', place: 'Shelf 2' }, 'put Mugs on Shelf 2'],
  [
    { code: 'group_put', name: 'Mugs', place: 'Shelf 2', draft: 'today' },
    'put Mugs on Shelf 2, as it is today',
  ],
  [{ code: 'groups_arranged', count: 1, draft: 'Other' }, 'arranged 1 group again in Other'],
  [{ code: 'fits_taken', count: 1, name: 'Shelf 2' }, 'took a fit for Shelf 2'],
  [{ code: 'purchases_read', count: 1200 }, 'read 1,200 lines of receipts'],
] as const)('%j is said as "%s"', (deed, said) => expect(sayDeed(deed)).toBe(said));

test('a sentence that an older version kept is read as it stands', () => {
  expect(sayDeed(parseDeed('added Tall cupboard'))).toBe('added Tall cupboard');
});
