/** A label of a job; its length in mm of tape. */
interface PrinterLabel {
  readonly id: string;
  readonly lengthMm: number;
  readonly text: string;
  readonly svg: string;
}
interface Job {
  readonly id: string;
  readonly labels: readonly PrinterLabel[];
  readonly printed: readonly string[];
}
export type PrinterState = 'ready' | 'printing' | 'jam' | 'out_of_tape';
export interface JobSaid {
  readonly id: string;
  readonly state: 'waiting' | 'printing' | 'stopped' | 'done';
  readonly printer: PrinterState;
  readonly printed: readonly string[];
}

export interface LabelPrinter {
  readonly state: () => PrinterState;
  readonly tapeMm: () => number;
  readonly tapeLeftMm: () => number;
  readonly queue: () => readonly JobSaid[];
  /** What came out, the last one first. */
  readonly out: () => readonly Pick<PrinterLabel, 'id' | 'text' | 'svg'>[];
  /** Undefined: the tape is of another width, and nothing is taken. A job that is known is answered as it stands. */
  readonly take: (job: {
    readonly id: string;
    readonly tapeMm: number;
    readonly labels: readonly PrinterLabel[];
  }) => JobSaid | undefined;
  readonly find: (id: string) => JobSaid | undefined;
  /** What has not come out of it does not come out any more. */
  readonly drop: (id: string) => JobSaid | undefined;
  /** Prints the next label of the queue, where nothing is in the way. */
  readonly step: () => void;
  /** In the middle of the next label: it is spoiled, and printed again once the jam is cleared. */
  readonly jam: () => void;
  readonly clear: () => void;
  readonly loadTape: (tapeMm: number) => void;
  readonly useUpTape: () => void;
}

const CASSETTE_MM = 8000;
const SHOWN = 60;

/** A simulated label printer: a queue, a cassette of tape, and what goes wrong with both. */
export function createLabelPrinter(): LabelPrinter {
  let jobs: Job[] = [];
  let tapeMm = 18;
  let leftMm = CASSETTE_MM;
  let isJammed = false;
  let isOut = false;
  let came: Pick<PrinterLabel, 'id' | 'text' | 'svg'>[] = [];
  const isOpen = (job: Job) => job.printed.length < job.labels.length;
  const current = () => jobs.find(isOpen);
  const stateOf = (): PrinterState => {
    if (isJammed) return 'jam';
    if (isOut) return 'out_of_tape';
    return current() ? 'printing' : 'ready';
  };
  const say = (job: Job): JobSaid => {
    const state = stateOf();
    const isStopped = state === 'jam' || state === 'out_of_tape';
    const openState = current() === job ? 'printing' : 'waiting';
    const running = isStopped ? 'stopped' : openState;
    return {
      id: job.id,
      state: isOpen(job) ? running : 'done',
      printer: state,
      printed: job.printed,
    };
  };
  const find = (id: string) => jobs.find((job) => job.id === id);
  return {
    state: stateOf,
    tapeMm: () => tapeMm,
    tapeLeftMm: () => leftMm,
    queue: () => jobs.filter(isOpen).map(say),
    out: () => came,
    take: (job) => {
      const known = find(job.id);
      if (known) return say(known);
      if (job.tapeMm !== tapeMm) return undefined;
      const taken: Job = { id: job.id, labels: job.labels, printed: [] };
      jobs.push(taken);
      return say(taken);
    },
    find: (id) => {
      const job = find(id);
      return job && say(job);
    },
    drop: (id) => {
      const job = find(id);
      if (!job) return undefined;
      const ended = {
        ...job,
        labels: job.labels.filter((label) => job.printed.includes(label.id)),
      };
      jobs = jobs.map((each) => (each === job ? ended : each));
      return say(ended);
    },
    step: () => {
      const job = current();
      if (!job || isJammed || isOut) return;
      const label = job.labels.find(({ id }) => !job.printed.includes(id));
      if (!label) return;
      if (label.lengthMm > leftMm) {
        isOut = true;
        return;
      }
      leftMm -= label.lengthMm;
      came = [{ id: label.id, text: label.text, svg: label.svg }, ...came].slice(0, SHOWN);
      jobs = jobs.map((each) =>
        each === job ? { ...job, printed: [...job.printed, label.id] } : each,
      );
    },
    jam: () => {
      isJammed = true;
    },
    clear: () => {
      isJammed = false;
    },
    loadTape: (width) => {
      tapeMm = width;
      leftMm = CASSETTE_MM;
      isOut = false;
    },
    useUpTape: () => {
      leftMm = 0;
    },
  };
}
