import { loadAll } from '@test/builders';
import { createWriteStream, existsSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';

import { compareAgreements } from '@/core/agree';
import { findFitFaults } from '@/core/fit';
import { layOutUnit } from '@/core/look';
import { foldDecisions } from '@/core/sort';
import { openDatabase, picturesDir } from '@/data/db';
import { listDecisions } from '@/data/decisionLog';
import { listProjects } from '@/data/projectRepo';
import { loadRecords } from '@/data/records';
import { insertStarterCatalogue } from '@/data/starterCatalogue';
import { agreementLinesOf } from '@/server/agree/agreementLines';
import { loadDesk } from '@/server/desk/loadDesk';
import { exportProject } from '@/server/exchange/exportProject';
import { importProject } from '@/server/exchange/importProject';
import { createFitRequest } from '@/server/fit/takeFit';
import { seedDemo } from './demo/seedDemo';

test('the demo is sound: units hold their places, fits break no rule, pictures are there, and something is left to do', async () => {
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'tin-box-demo-'));
  const db = await openDatabase(dataDir);
  await insertStarterCatalogue(db);
  const write = jest.spyOn(process.stdout, 'write').mockReturnValue(true);
  await seedDemo(db, dataDir);
  await seedDemo(db, dataDir);
  write.mockRestore();
  const projects = await listProjects(db);
  expect(projects.map(({ status }) => status).sort()).toEqual([
    'active',
    'active',
    'finished',
    'finished',
  ]);
  for (const project of projects) {
    const records = await loadRecords(
      db,
      project.id,
      'containers',
      'fitWishes',
      'fits',
      'groups',
      'people',
      'pictures',
      'project',
      'purchases',
      'rooms',
      'shortages',
      'things',
      'units',
    );
    expect(records.rooms.reduce((sum, room) => sum + room.budgetMinor, 0)).toBeLessThanOrEqual(
      project.budgetMinor,
    );
    for (const unit of records.units)
      expect([unit.name, layOutUnit(unit).ok]).toEqual([unit.name, true]);
    for (const fit of records.fits) {
      const request = await createFitRequest(db, records, { bayId: fit.bayId, prefer: fit.prefer });
      // What was bought for it since costs nothing more: only the sum differs.
      const faults = findFitFaults(request, fit.answer).filter(({ rule }) => rule !== 'totals');
      expect([fit.bayId, faults]).toEqual([fit.bayId, []]);
    }
    for (const { id } of records.pictures)
      expect(existsSync(path.join(picturesDir(dataDir), `${id}.jpg`))).toBe(true);
    expect(records.things).toEqual(foldDecisions(await listDecisions(db, project.id)));
  }
  const desk = await loadDesk(db);
  const ratios = desk.flatMap(({ rooms }) => rooms.map(({ progress }) => progress.doneRatio));
  // Something finished, something in the middle, something hardly begun.
  const bootRoom = desk.flatMap(({ rooms }) => rooms).find(({ room }) => room.id === 'boot-room');
  expect(Math.max(...ratios)).toBe(1);
  expect(bootRoom?.progress.next.map(({ step }) => step)).toEqual([
    'shop',
    'set-up',
    'set-up',
    'take-away',
  ]);
  expect(Math.min(...ratios)).toBeLessThan(0.3);
  // Each of these homes can be handed on and comes in beside itself: words that are also ids stay words.
  for (const project of projects) {
    const file = path.join(dataDir, 'home.zip');
    await pipeline(await exportProject(db, dataDir, project.id), createWriteStream(file));
    const imported = await importProject(db, dataDir, file);
    if (!imported.ok) throw new Error(`${project.id}: ${JSON.stringify(imported.error)}`);
    const [before, after] = [await loadAll(db, project.id), await loadAll(db, imported.value)];
    const figuresOf = ({
      rooms,
      units,
      groups,
      things,
      fits,
      pictures,
      agreements,
    }: typeof before) => [
      rooms.map(({ name }) => name),
      units.map(({ bays }) => bays.length).sort(),
      groups.map(({ name, bayId }) => `${name} ${bayId !== null}`).sort(),
      things.map(({ name, count, verdict, to, litres }) => [name, count, verdict, to, litres]),
      fits.map(({ answer }) => answer.costMinor).sort(),
      pictures.length,
      agreements.map(({ lines }) => lines.map(({ label, value }) => [label, value])),
    ];
    expect(figuresOf(after)).toEqual(figuresOf(before));
    const changesOf = (records: typeof before) =>
      compareAgreements(records.agreements.at(-1)?.lines ?? [], agreementLinesOf(records)).length;
    expect(changesOf(after)).toBe(changesOf(before));
  }
  await db.destroy();
  rmSync(dataDir, { recursive: true, force: true });
}, 120_000);
