import { aDatabase, aDecision, aGroup, HALL, HOME, insertGroup } from '@test/builders';
import { appendDecisions } from '@/data/decisionLog';
import { loadRecords } from '@/data/records';
import { gatherHandedHome } from './handedHome';
import { renderClientHtml } from './renderClientHtml';

test('the client’s page shows this room’s figures, and nothing typed can become code', async () => {
  const db = await aDatabase();
  await insertGroup(db, aGroup({ name: '<b>Hats & "caps"</b>', uncountedLitres: 2 }));
  await appendDecisions(db, HOME, [
    aDecision({ verdict: 'give', to: '<script>alert(1)</script>', count: 4 }),
  ]);
  const page = gatherHandedHome(
    await loadRecords(
      db,
      HOME,
      'carries',
      'containers',
      'fits',
      'fixtures',
      'groups',
      'pictures',
      'project',
      'purchases',
      'rooms',
      'things',
      'units',
      'vantagePoints',
    ),
    {
      roomId: HALL,
      now: '2026-11-20T10:00:00.000Z',
    },
  );
  const html = renderClientHtml(page, { pictureSrc: (id) => `/x/${id}`, fontCss: '' });
  // It is decided, and has not left.
  expect(html).toContain('Decided, and still to leave');
  expect(html).toContain('Give to, &lt;script&gt;alert(1)&lt;/script&gt;');
  expect(html).toContain('&lt;b&gt;Hats &amp; &quot;caps&quot;&lt;/b&gt;');
  expect(html).not.toMatch(/<script|<b>Hats/);
  expect(html).toContain('4 things · 1.2 l');
  expect(html).toContain('20 November 2026');
  await db.destroy();
});
