import 'server-only';

import { z } from 'zod';

import { labelKeyOf, type DrawnLabel, type LabelRef, type PrintJob } from '@/core/labels';
import { err, ok, type ProjectId, type Result, type RoomId } from '@/core/shared';
import { DataError, type Db } from '@/data/db';
import { loadRecords } from '@/data/records';
import { createId, nowIso } from '../means';
import { labelPageSvg } from './labelFiles';
import { changeLabeling, labelsOf } from './labels';
import { roomLabelsOf, setUpNames } from './roomSetUp';

/** Where the label printer, real or simulated, is asked; see docs/devices.md. */
export const labelPrinterAddressOf = (env: Readonly<Record<string, string | undefined>>): string =>
  env.TINBOX_LABEL_PRINTER ?? 'http://127.0.0.1:4320';

const printerStates = ['ready', 'printing', 'jam', 'out_of_tape'] as const;
/** What a printer says of a job. Source: docs/devices.md. */
const jobAnswerSchema = z.object({
  id: z.string().max(100),
  state: z.enum(['waiting', 'printing', 'stopped', 'done']),
  printer: z.enum(printerStates),
  printed: z.array(z.string().max(300)).max(1000),
});
type JobAnswer = z.output<typeof jobAnswerSchema>;

export type PrinterFault =
  | { readonly code: 'no_answer' | 'unreadable' | 'unknown_job' | 'busy' | 'no_tape' | 'nothing' }
  | { readonly code: 'wrong_width'; readonly loadedMm: number };
export interface PrinterSays {
  readonly printer: JobAnswer['printer'];
  readonly printedCount: number;
  readonly leftCount: number;
}

const TIMEOUT_MS = 1500;

async function ask(
  address: string,
  {
    id,
    method,
    body,
  }: { readonly id: string; readonly method: 'GET' | 'PUT' | 'DELETE'; readonly body?: unknown },
): Promise<Result<JobAnswer, PrinterFault>> {
  try {
    const response = await fetch(`${address}/jobs/${encodeURIComponent(id)}`, {
      method,
      signal: AbortSignal.timeout(TIMEOUT_MS),
      cache: 'no-store',
      redirect: 'error',
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
    if (response.status === 404) return err({ code: 'unknown_job' });
    const answer: unknown = await response.json();
    if (response.status === 409) {
      const wrong = z.object({ error: z.object({ loadedMm: z.number() }) }).safeParse(answer);
      return wrong.success
        ? err({ code: 'wrong_width', loadedMm: wrong.data.error.loadedMm })
        : err({ code: 'unreadable' });
    }
    if (!response.ok) return err({ code: 'no_answer' });
    const parsed = jobAnswerSchema.safeParse(answer);
    return parsed.success && parsed.data.id === id ? ok(parsed.data) : err({ code: 'unreadable' });
  } catch {
    return err({ code: 'no_answer' });
  }
}

/** A job as the printer wants it: what is still to be printed, each label as a picture to scale. */
const jobBody = (job: PrintJob, drawn: readonly DrawnLabel[]) => ({
  format: 'tin-box-labels',
  version: 1,
  tapeMm: job.tapeMm,
  labels: job.labels.flatMap((ref) => {
    const label = drawn.find(({ key }) => key === labelKeyOf(ref));
    if (!label) return [];
    const page = {
      widthMm: label.widthMm,
      heightMm: label.heightMm,
      labels: [{ x: 0, y: 0, label, cell: undefined }],
      cuts: [],
      used: [],
      isBegun: false,
    };
    return [
      {
        id: label.key,
        lengthMm: label.widthMm,
        text: label.set.text,
        svg: labelPageSvg(page, label.set.text),
      },
    ];
  }),
});

interface OfRoom {
  readonly projectId: ProjectId;
  readonly roomId: RoomId;
}

/**
 * Sends a room's open labels to the printer. The job is written down before it is sent, and sent again under
 * its own id, so that whatever breaks on the way, the printer prints each label once.
 * @errors `not_found`: no such room.
 */
export async function sendLabels(
  db: Db,
  of: OfRoom,
  address: string,
): Promise<Result<PrinterSays, PrinterFault>> {
  const records = await loadRecords(db, of.projectId, ...setUpNames);
  const { labeling, open, drawn, stock } = labelsOf(records, of.roomId);
  if (stock.medium !== 'tape') return err({ code: 'no_tape' });
  let { job } = labeling;
  if (job === null) {
    const labels = open.flatMap((spot) => {
      const label = drawn.find(({ key }) => key === spot.key);
      return label ? [{ ...spot.ref, text: label.set.text }] : [];
    });
    if (labels.length === 0) return err({ code: 'nothing' });
    const made: PrintJob = { id: createId(), tapeMm: stock.tapeMm, sentAt: nowIso(), labels };
    await changeLabeling(db, of, { code: 'labels_sent', count: labels.length }, (before) => {
      if (before.job !== null)
        throw new DataError('changed_meanwhile', 'labels were sent meanwhile');
      return { ...before, job: made };
    });
    job = made;
  }
  const answer = await ask(address, { id: job.id, method: 'PUT', body: jobBody(job, drawn) });
  if (answer.ok) return ok(await takeNotice(db, of, answer.value));
  // It lies there with another tape in the printer: nothing was begun.
  if (answer.error.code === 'wrong_width') await dropJob(db, of);
  return answer;
}

/** Asks how far the printer is, and notes what came out. */
export async function askPrinter(
  db: Db,
  of: OfRoom,
  address: string,
): Promise<Result<PrinterSays, PrinterFault>> {
  const { labeling } = roomLabelsOf(await loadRecords(db, of.projectId, ...setUpNames), of.roomId);
  if (labeling.job === null) return err({ code: 'nothing' });
  const answer = await ask(address, { id: labeling.job.id, method: 'GET' });
  return answer.ok ? ok(await takeNotice(db, of, answer.value)) : answer;
}

/** Takes what has not come out back from the printer; it is open again. */
export async function takeBack(
  db: Db,
  of: OfRoom,
  address: string,
): Promise<Result<undefined, PrinterFault>> {
  const { labeling } = roomLabelsOf(await loadRecords(db, of.projectId, ...setUpNames), of.roomId);
  if (labeling.job === null) return ok(undefined);
  const answer = await ask(address, { id: labeling.job.id, method: 'DELETE' });
  if (answer.ok) await takeNotice(db, of, answer.value);
  else if (answer.error.code !== 'unknown_job') return answer;
  await dropJob(db, of);
  return ok(undefined);
}

const dropJob = (db: Db, of: OfRoom): Promise<void> =>
  changeLabeling(db, of, { code: 'labels_taken_back' }, (before) => ({ ...before, job: null }));

/** What the printer says came out is made; the rest of the job waits on. */
async function takeNotice(
  db: Db,
  of: OfRoom,
  { id, printer, printed }: JobAnswer,
): Promise<PrinterSays> {
  const { labeling } = roomLabelsOf(await loadRecords(db, of.projectId, ...setUpNames), of.roomId);
  // The printer tells all of the job; what was noted before is no longer in it.
  const isOut = (ref: LabelRef) => printed.includes(labelKeyOf(ref));
  const inJob = labeling.job?.labels ?? [];
  const outCount = inJob.filter(isOut).length;
  if (outCount > 0)
    await changeLabeling(db, of, { code: 'labels_made', count: outCount }, (before, { now }) => {
      const { job } = before;
      // Somebody else asked meanwhile, and noted it.
      if (job?.id !== id) return before;
      const out = job.labels.filter(isOut);
      const outKeys = new Set(out.map(labelKeyOf));
      const left = job.labels.filter((ref) => !isOut(ref));
      return {
        ...before,
        made: [
          ...before.made.filter((each) => !outKeys.has(labelKeyOf(each))),
          ...out.map((label) => ({ ...label, medium: 'tape' as const, madeAt: now })),
        ],
        job: left.length === 0 ? null : { ...job, labels: left },
      };
    });
  return { printer, printedCount: outCount, leftCount: inJob.length - outCount };
}
