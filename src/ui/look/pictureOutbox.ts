import { createUuid } from '../createUuid';
import { createPictureStore, type PictureStore } from './pictureStore';
import { type OutgoingPicture, type StoredPicture } from './outgoingPicture';

/** What the outbox needs of the world; tests hand in their own. */
interface OutboxMeans {
  readonly store: PictureStore;
  readonly request: (url: string, init?: RequestInit) => Promise<Response>;
  /** Waits so long, or until there is a connection again. */
  readonly wait: (ms: number) => Promise<void>;
}

const CHUNK_BYTES = 512_000;
const RETRY_MS = { first: 1000, most: 15_000 } as const;

/**
 * Holds pictures until the server has made them its own. They lie in the browser's database, so a reload
 * loses none; a broken connection is taken up where it broke. One goes at a time, in pieces, so that
 * whatever else is sent gets through between them.
 */
export class PictureOutbox {
  private pictures: readonly OutgoingPicture[] = [];
  private isSending = false;
  private hasLoaded = false;
  private isWaiting = false;
  private fault = '';
  private readonly listeners = new Set<() => void>();
  private readonly kept = new Set<(picture: OutgoingPicture) => void>();

  constructor(private readonly means: OutboxMeans) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    void this.load();
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly list = (): readonly OutgoingPicture[] => this.pictures;
  /** Whether the connection is gone and will be tried again. */
  readonly isOffline = (): boolean => this.isWaiting;
  /** What the server says is in the way, in its words; empty where it is the line. */
  readonly getProblem = (): string => this.fault;
  /** Told of each picture that has arrived. */
  readonly onKept = (listener: (picture: OutgoingPicture) => void): (() => void) => {
    this.kept.add(listener);
    return () => this.kept.delete(listener);
  };

  /** Takes pictures to send; returns the ids that they will have. */
  async add(
    target: Pick<OutgoingPicture, 'projectId' | 'vantagePointId' | 'moment'>,
    files: readonly { readonly name: string; readonly bytes: Blob }[],
  ): Promise<string[]> {
    const added = files.map(({ name, bytes }): StoredPicture => ({
      ...target,
      id: createUuid(),
      name,
      bytes,
      totalBytes: bytes.size,
      problem: '',
    }));
    for (const picture of added) await this.means.store.put(picture);
    this.set([...this.pictures, ...added.map(toOutgoing)]);
    void this.send();
    return added.map(({ id }) => id);
  }

  /** Gives up one that was refused. */
  async remove(id: string): Promise<void> {
    await this.means.store.delete(id);
    this.set(this.pictures.filter((picture) => picture.id !== id));
  }

  private async load(): Promise<void> {
    if (this.hasLoaded) return;
    this.hasLoaded = true;
    const stored = await this.means.store.getAll().catch(() => []);
    const known = new Set(this.pictures.map(({ id }) => id));
    this.set([...stored.filter(({ id }) => !known.has(id)).map(toOutgoing), ...this.pictures]);
    void this.send();
  }

  private set(pictures: readonly OutgoingPicture[]): void {
    this.pictures = pictures;
    this.listeners.forEach((listener) => listener());
  }

  private change(id: string, change: Partial<OutgoingPicture>): void {
    this.set(
      this.pictures.map((picture) => (picture.id === id ? { ...picture, ...change } : picture)),
    );
  }

  private async send(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    let waitMs: number = RETRY_MS.first;
    for (let next = this.nextToSend(); next; next = this.nextToSend()) {
      this.fault = '';
      const outcome = await this.sendOne(next).catch((error: unknown) => {
        this.fault = error instanceof ServerFault ? error.message : '';
        return 'lost' as const;
      });
      this.isWaiting = outcome === 'lost';
      this.listeners.forEach((listener) => listener());
      if (outcome === 'lost') {
        await this.means.wait(waitMs);
        waitMs = Math.min(RETRY_MS.most, waitMs * 2);
      } else waitMs = RETRY_MS.first;
    }
    this.isSending = false;
  }

  private nextToSend(): OutgoingPicture | undefined {
    return this.pictures.find(({ problem }) => problem === '');
  }

  /**
   * Asks how much has arrived, sends the rest in pieces, and has it made a picture. Throws where
   * the connection breaks.
   */
  private async sendOne(picture: OutgoingPicture): Promise<'kept' | 'refused'> {
    const stored = await this.means.store.get(picture.id);
    if (!stored) {
      this.set(this.pictures.filter(({ id }) => id !== picture.id));
      return 'kept';
    }
    const url = `/api/uploads/${picture.id}`;
    let offset = (await readAnswer(await this.means.request(url))).receivedBytes ?? 0;
    this.change(picture.id, { sentBytes: offset });
    while (offset < picture.totalBytes) {
      const piece = stored.bytes.slice(offset, offset + CHUNK_BYTES);
      const response = await this.means.request(`${url}?offset=${offset}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/octet-stream' },
        body: piece,
      });
      const answer = await readAnswer(response);
      if (response.status !== 409 && answer.refusal !== undefined)
        return this.refuse(picture.id, answer.refusal);
      offset = answer.receivedBytes ?? offset;
      this.change(picture.id, { sentBytes: offset });
    }
    const { projectId, vantagePointId, moment, totalBytes } = picture;
    const response = await this.means.request(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        projectId,
        spot: vantagePointId === null ? null : { vantagePointId, moment },
        totalBytes,
      }),
    });
    const answer = await readAnswer(response);
    // Pieces went astray on the server's side: it is asked again how much it has.
    if (response.status === 409) throw new Error('not all of it has arrived');
    if (answer.refusal !== undefined) return this.refuse(picture.id, answer.refusal);
    await this.readBack(picture.id);
    await this.remove(picture.id);
    this.kept.forEach((listener) => listener(picture));
    return 'kept';
  }

  /**
   * The browser's copy goes only once the server's can be read. Throws where it cannot: all is sent
   * again.
   */
  private async readBack(id: string): Promise<void> {
    const response = await this.means.request(`/api/pictures/${id}`, { cache: 'no-store' });
    if (!response.ok || (await response.blob()).size === 0)
      throw new Error('the picture cannot be read back');
  }

  private async refuse(id: string, problem: string): Promise<'refused'> {
    const stored = await this.means.store.get(id);
    if (stored) await this.means.store.put({ ...stored, problem });
    this.change(id, { problem });
    return 'refused';
  }
}

const toOutgoing = ({
  id,
  projectId,
  vantagePointId,
  moment,
  name,
  totalBytes,
  problem,
}: StoredPicture): OutgoingPicture => ({
  id,
  projectId,
  vantagePointId,
  moment,
  name,
  totalBytes,
  sentBytes: 0,
  problem,
});

/** Something on the server's side that passes: a full disk, a folder that cannot be written to. */
class ServerFault extends Error {}

interface Answer {
  readonly receivedBytes?: number;
  readonly error?: { readonly message?: string };
}

/** What the server says; a fault of its own counts as a broken connection, and is tried again. */
async function readAnswer(
  response: Response,
): Promise<{ readonly receivedBytes: number | undefined; readonly refusal: string | undefined }> {
  const read = response.json() as Promise<Answer>;
  if (response.status >= 500) {
    const { error } = await read.catch((): Answer => ({}));
    throw new ServerFault(error?.message ?? `the server answered ${response.status}`);
  }
  // What is no answer of ours, a hotel's page for instance, throws: it counts as a broken line.
  const body = await read;
  return {
    receivedBytes: body.receivedBytes,
    refusal: response.ok
      ? undefined
      : (body.error?.message ?? `the server answered ${response.status}`),
  };
}

/** Waits so long, or until the browser says that it is back on line. */
function waitForConnection(ms: number): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      window.removeEventListener('online', done);
      resolve();
    };
    const timer = setTimeout(done, ms);
    window.addEventListener('online', done);
  });
}

export const pictureOutbox = new PictureOutbox({
  store: createPictureStore(),
  request: (url, init) => fetch(url, init),
  wait: waitForConnection,
});
