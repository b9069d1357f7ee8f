import { dueOnDay, type DueThing } from '.';

const due = (day: string, code: DueThing['code'], name: string, homeName = 'Home') => ({
  day,
  code,
  name,
  homeName,
});

test('what should have happened before stands on today; of looks at one place only the latest', () => {
  const list = [
    due('2026-10-01', 'review', 'Hall'),
    due('2026-10-20', 'review', 'Hall'),
    due('2026-10-03', 'review', 'Attic'),
    due('2026-10-04', 'review', 'Hall', 'Other'),
    due('2026-11-02', 'return', 'Bins'),
    due('2026-11-30', 'review', 'Attic'),
    due('2026-12-01', 'debt', 'Sacks'),
  ];
  const said = (day: string) =>
    dueOnDay(list, day, '2026-11-30').map(
      ({ day: on, name, homeName }) => `${on} ${name} ${homeName}`,
    );
  expect(said('2026-11-30')).toEqual([
    '2026-10-20 Hall Home',
    '2026-10-04 Hall Other',
    '2026-11-02 Bins Home',
    '2026-11-30 Attic Home',
  ]);
  expect(said('2026-12-01')).toEqual(['2026-12-01 Sacks Home']);
  expect(said('2026-10-01')).toEqual(['2026-10-01 Hall Home']);
});
