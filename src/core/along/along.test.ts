import { isForgotten, listAlongPages } from '.';

test('every page of every step is listed once, of the home and of each room', () => {
  const pages = listAlongPages({
    projectId: 'p',
    steps: [
      { step: 'sort', home: ['', 'count'], room: ['', 'dates'] },
      { step: 'shop', home: [''], room: [''] },
    ],
    rooms: [
      { id: 'hall', unitIds: ['u1'] },
      { id: 'den', unitIds: [] },
    ],
  });
  expect(new Set(pages).size).toBe(pages.length);
  expect(pages[0]).toBe('/projects/p/home');
  expect(pages).toEqual(
    expect.arrayContaining([
      '/projects/p/home/sort/count',
      '/projects/p/rooms/hall/sort/dates',
      '/projects/p/rooms/hall/look/units/u1',
      '/projects/p/rooms/den/look/units/new',
      '/projects/p/rooms/den/shop',
    ]),
  );
  // Two homes' pages are never mixed.
  expect(
    pages.filter((page) => page.startsWith('/projects/') && !page.startsWith('/projects/p/')),
  ).toEqual([]);
});

test('a device forgets on the day, not before, and a clock set back does not keep it from it', () => {
  const contactAt = '2026-12-01T10:00:00.000Z';
  const after = (days: number) => new Date(Date.parse(contactAt) + days * 86_400_000);
  expect(isForgotten(contactAt, 14, after(13.9))).toBe(false);
  expect(isForgotten(contactAt, 14, after(14))).toBe(true);
  expect(isForgotten(contactAt, 14, after(-0.5))).toBe(false);
  expect(isForgotten(contactAt, 14, after(-30))).toBe(true);
  expect(isForgotten('never', 14, after(1))).toBe(true);
});
