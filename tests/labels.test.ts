import sharp from 'sharp';

import { aDatabase, aUnit, HALL, HOME, loadAll } from '@test/builders';
import { groupSchema } from '@/core/sort';
import type { Db } from '@/data/db';
import { bayRecord, groupRecord, unitRecord } from '@/data/records';
import { createLabelPrinter } from '@/standins/labelPrinter/printer';
import { startLabelPrinter } from '@/standins/labelPrinter/startLabelPrinter';
import type { RunningStandin } from '@/standins/shared/startStandin';
import { labelPagePng, labelPageSvg } from '@/server/setUp/labelFiles';
import { askPrinter, sendLabels, takeBack } from '@/server/setUp/labelPrinter';
import {
  changeLabel,
  changeStock,
  labelListCsv,
  labelsOf,
  noteMade,
  toggleCell,
} from '@/server/setUp/labels';

let db: Db;
const of = { projectId: HOME, roomId: HALL };
const load = async () => labelsOf(await loadAll(db, HOME), HALL);
const textsOf = async () => (await load()).drawn.map(({ set }) => set.text);

beforeEach(async () => {
  db = await aDatabase();
  const { bays, ...unit } = aUnit();
  await db(unitRecord.table.name).insert(unitRecord.table.toRow(unit));
  for (const bay of bays) await db(bayRecord.table.name).insert(bayRecord.table.toRow(bay));
  for (const [i, name] of ['Candles', 'Fuses', 'Candles'].entries())
    await db(groupRecord.table.name).insert(
      groupRecord.table.toRow(
        groupSchema.parse({
          id: `group-${i}`,
          projectId: HOME,
          roomId: HALL,
          name,
          bayId: i === 2 ? 'shelf-2' : 'shelf',
          uncountedLitres: 4,
          lid: 'any',
          see: 'any',
          front: false,
          loose: true,
          position: i,
        }),
      ),
    );
});
afterEach(() => db.destroy());

test('labels take the first free cells, what came out is made, and its cells are gone', async () => {
  expect(await textsOf()).toEqual(['Candles\u00a01', 'Fuses', 'Candles\u00a02']);
  await toggleCell(db, HOME, { cell: 0 });
  await toggleCell(db, HOME, { cell: 2 });
  const { laidOut, open } = await load();
  expect(laidOut.pages.map(({ labels }) => labels.map(({ cell }) => cell))).toEqual([[1, 3, 4]]);
  const keys = open.map(({ key }) => key);
  await expect(noteMade(db, HOME, { roomId: HALL, keys: keys.slice(1) })).rejects.toMatchObject({
    code: 'changed_meanwhile',
  });
  await noteMade(db, HOME, { roomId: HALL, keys });
  const after = await load();
  expect(after.open).toEqual([]);
  expect(after.labeling.made.map(({ text }) => text)).toContain('Candles\u00a02');
  const { project } = await loadAll(db, HOME);
  expect(project.terms.labels.begun).toEqual([{ gridId: 'A4-3x7', used: [0, 1, 2, 3, 4] }]);
  expect(labelListCsv(after)).toContain('Fuses');
});

test('what is made says what it said: what comes new says something else', async () => {
  const { open } = await load();
  await noteMade(db, HOME, { roomId: HALL, keys: open.map(({ key }) => key) });
  await db(groupRecord.table.name)
    .where({ id: 'group-1' })
    .update({ name: 'Candles', bay_id: 'shelf-2' });
  expect(await textsOf()).toEqual(['Candles\u00a03']);
  const [spot] = (await load()).open;
  await changeLabel(db, HOME, {
    roomId: HALL,
    ...spot!.ref,
    name: spot!.name,
    text: 'Tapers',
    second: 'Kerzen',
    picture: 'bulb',
    isLeftOut: false,
  });
  const [label] = (await load()).drawn;
  expect(label?.marks.map(({ kind }) => kind).sort()).toEqual(['strokes', 'text', 'text']);
});

test('a sheet is to scale as SVG and PNG, letters as outlines', async () => {
  const { laidOut } = await load();
  const [page] = laidOut.pages;
  const svg = labelPageSvg(page!, 'A <b>');
  expect(svg).toContain('width="210mm" height="297mm"');
  expect(svg).not.toMatch(/<text|<b>/);
  const png = sharp(await labelPagePng(page!, 'Labels'));
  const { width, height } = await png.metadata();
  expect([Math.round((width * 25.4) / 300), Math.round((height * 25.4) / 300)]).toEqual([210, 297]);
  // Something is printed, in the cells alone: most of the sheet stays white.
  const { channels } = await png.stats();
  expect(channels[0]!.mean).toBeGreaterThan(240);
  expect(channels[0]!.min).toBeLessThan(40);
});

describe('the label printer', () => {
  const printer = createLabelPrinter();
  let running: RunningStandin;
  beforeAll(async () => {
    // It prints when the test says so.
    running = await startLabelPrinter({ port: 0, printer, stepMs: 1e9 });
  });
  afterAll(() => running.close());

  test('pressed twice at once, the labels go to the printer as one job', async () => {
    await changeStock(db, HOME, { medium: 'tape', tapeMm: 12 });
    printer.loadTape(12);
    const before = printer.queue().length;
    const both = [sendLabels(db, of, running.address), sendLabels(db, of, running.address)];
    await Promise.allSettled(both);
    expect(printer.queue()).toHaveLength(before + 1);
    await takeBack(db, of, running.address);
    printer.loadTape(18);
  });

  test('a jam, an empty tape, a lost answer: each label comes out once, in its time', async () => {
    expect(await sendLabels(db, of, running.address)).toMatchObject({ error: { code: 'no_tape' } });
    await changeStock(db, HOME, { medium: 'tape', tapeMm: 12 });
    expect(await sendLabels(db, of, running.address)).toEqual({
      ok: false,
      error: { code: 'wrong_width', loadedMm: 18 },
    });
    expect((await load()).labeling.job).toBeNull();
    printer.loadTape(12);
    expect(await sendLabels(db, of, running.address)).toMatchObject({ value: { leftCount: 3 } });
    printer.step();
    printer.jam();
    printer.step();
    expect(await askPrinter(db, of, running.address)).toMatchObject({
      value: { printer: 'jam', printedCount: 1, leftCount: 2 },
    });
    // Sent again, twice: the printer knows them.
    await sendLabels(db, of, running.address);
    await sendLabels(db, of, running.address);
    printer.clear();
    printer.useUpTape();
    printer.step();
    expect(await askPrinter(db, of, running.address)).toMatchObject({
      value: { printer: 'out_of_tape', leftCount: 2 },
    });
    expect(await sendLabels(db, of, 'http://127.0.0.1:1')).toMatchObject({
      error: { code: 'no_answer' },
    });
    printer.loadTape(12);
    for (let i = 0; i < 5; i++) printer.step();
    expect(await askPrinter(db, of, running.address)).toMatchObject({ value: { leftCount: 0 } });
    expect(printer.out().map(({ text }) => text)).toEqual([
      'Candles\u00a02',
      'Fuses',
      'Candles\u00a01',
    ]);
    const { labeling, open } = await load();
    expect([labeling.job, open, labeling.made.length]).toEqual([null, [], 3]);
  });

  test('what has not come out is taken back, and is open again; a printer that forgot gets the rest', async () => {
    await changeStock(db, HOME, { medium: 'tape', tapeMm: 12 });
    await sendLabels(db, of, running.address);
    printer.step();
    await takeBack(db, of, running.address);
    for (let i = 0; i < 3; i++) printer.step();
    expect((await load()).open).toHaveLength(2);
    const other = createLabelPrinter();
    other.loadTape(12);
    await sendLabels(db, of, running.address);
    const fresh = await startLabelPrinter({ port: 0, printer: other, stepMs: 1e9 });
    expect(await askPrinter(db, of, fresh.address)).toMatchObject({
      error: { code: 'unknown_job' },
    });
    await sendLabels(db, of, fresh.address);
    for (let i = 0; i < 4; i++) other.step();
    expect(await askPrinter(db, of, fresh.address)).toMatchObject({ value: { leftCount: 0 } });
    expect(other.out()).toHaveLength(2);
    await fresh.close();
  });
});
