import { aDecision, HALL } from '@test/builders';
import { foldDecisions } from '@/core/sort';
import { roomIdSchema } from '@/core/shared';
import { renderQuestionsHtml } from './questionSheet';
import { writeReminders } from './remindersFile';

const NOW = '2026-11-07T08:00:00.000Z';
const attic = roomIdSchema.parse('attic');
const rooms = [
  { id: HALL, name: 'Hall' },
  { id: attic, name: 'Attic' },
] as never;
const project = { name: '14 Larch <Row>' } as never;
const decided = (name: string, change: object) =>
  aDecision({ id: name.replace(/\W/g, ''), thingId: name.replace(/\W/g, ''), name, ...change });
const things = foldDecisions([
  decided('letters; old, "kept"', {
    verdict: 'later',
    to: '2026-12-31',
    count: 12,
    roomId: attic,
    reasons: ['sentimental'],
  }),
  decided('no day', { verdict: 'later', to: '' }),
  decided('day of another verdict', { verdict: 'elsewhere', to: '2026-12-31' }),
  decided('a <b>vase</b>', { verdict: 'ask' }),
  decided('answered', { verdict: 'keep' }),
]);
/** Unfolds and splits a calendar file as RFC 5545 says. */
const linesOf = (file: string) => file.replaceAll('\r\n ', '').split('\r\n');

test('a reminder is an all-day entry on the very day, wherever the machine stands, the same one at each export', () => {
  const lines = linesOf(writeReminders({ project, rooms, things, carries: [] }, NOW));
  expect(lines.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
  expect(lines).toEqual(
    expect.arrayContaining([
      'DTSTART;VALUE=DATE:20261231',
      'SUMMARY:Decide on 12 letters\\; old\\, "kept"',
      'LOCATION:Attic\\, later box 1',
      'BEGIN:VALARM',
      'TRIGGER;RELATED=START:PT8H',
    ]),
  );
  const uid = (file: string) => linesOf(file).filter((line) => line.startsWith('UID:'));
  expect(
    uid(writeReminders({ project, rooms, things, carries: [] }, '2026-11-09T00:00:00.000Z')),
  ).toEqual(uid(writeReminders({ project, rooms, things, carries: [] }, NOW)));
});

test('the question sheet asks what is open, room by room, and nothing a client typed becomes markup', () => {
  const html = renderQuestionsHtml({ project, rooms, things }, { now: NOW, fontCss: '' });
  expect(html).toContain('a &lt;b&gt;vase&lt;/b&gt;');
  expect(html).toContain('14 Larch &lt;Row&gt;');
  expect(html).toContain('<h2>Hall</h2>');
  expect(html).not.toMatch(/answered|<h2>Attic|<b>vase|<Row>/);
  expect(renderQuestionsHtml({ project, rooms, things: [] }, { now: NOW, fontCss: '' })).toContain(
    'No question is open.',
  );
});
