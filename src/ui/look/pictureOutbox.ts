import type { Moment } from '@/core/look';
import { createUuid } from '../createUuid';
import { browserMeans } from '../outbox/browserMeans';
import { Outbox, type OutboxMeans } from '../outbox/Outbox';
import { createOutboxStore } from '../outbox/outboxStore';
import { readServerAnswer } from '../outbox/readServerAnswer';
import type { Waiting } from '../outbox/waiting';

/** A picture on its way. Its id is the one that it will have. */
export interface OutgoingPicture extends Waiting {
  /** Both null for the picture of a thing in hand. */
  readonly vantagePointId: string | null;
  readonly moment: Moment | null;
  readonly name: string;
  readonly bytes: Blob;
  readonly totalBytes: number;
}

const CHUNK_BYTES = 512_000;
const NAME = 'tin-box-pictures';

type Request = (url: string, init?: RequestInit) => Promise<Response>;
interface Received {
  readonly receivedBytes: number;
}

/**
 * Asks how much has arrived, sends the rest in pieces, so that whatever else is sent gets through
 * between them, and has it made a picture. Resolves only once the server's can be read: the
 * browser's copy goes then.
 */
const deliverBy =
  (request: Request): OutboxMeans<OutgoingPicture>['deliver'] =>
  async ([picture], onSent) => {
    if (!picture) return undefined;
    const url = `/api/uploads/${picture.id}`;
    const asked = await readServerAnswer<Received>(await request(url));
    let offset = asked.body.receivedBytes ?? 0;
    onSent(offset);
    while (offset < picture.totalBytes) {
      const response = await request(`${url}?offset=${offset}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/octet-stream' },
        body: picture.bytes.slice(offset, offset + CHUNK_BYTES),
      });
      const { body, refusal } = await readServerAnswer<Received>(response);
      // 409: the server has more or less of it than was thought, and says how much.
      if (response.status !== 409 && refusal !== undefined) return refusal;
      offset = body.receivedBytes ?? offset;
      onSent(offset);
    }
    const { projectId, vantagePointId, moment, totalBytes } = picture;
    const response = await request(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        projectId,
        spot: vantagePointId === null ? null : { vantagePointId, moment },
        totalBytes,
      }),
    });
    const { refusal } = await readServerAnswer(response);
    // Pieces went astray on the server's side: it is asked again how much it has.
    if (response.status === 409) throw new Error('not all of it has arrived');
    if (refusal !== undefined) return refusal;
    const kept = await request(`/api/pictures/${picture.id}`, { cache: 'no-store' });
    if (!kept.ok || (await kept.blob()).size === 0)
      throw new Error('the picture cannot be read back');
    return undefined;
  };

export const createPictureOutbox = ({
  request,
  ...means
}: Omit<OutboxMeans<OutgoingPicture>, 'deliver' | 'batchSize'> & {
  readonly request: Request;
}): Outbox<OutgoingPicture> => new Outbox({ ...means, deliver: deliverBy(request), batchSize: 1 });

/** Pictures from files, as they go into the outbox. */
export const toOutgoing = (
  target: Pick<OutgoingPicture, 'projectId' | 'vantagePointId' | 'moment'>,
  files: readonly { readonly name: string; readonly bytes: Blob }[],
): OutgoingPicture[] =>
  files.map(({ name, bytes }) => ({
    ...target,
    id: createUuid(),
    name,
    bytes,
    totalBytes: bytes.size,
    problem: '',
  }));

export const pictureOutbox = createPictureOutbox({
  ...browserMeans(NAME),
  // Version 1 kept them in the order of their ids.
  store: createOutboxStore(NAME, 2),
  request: (url, init) => fetch(url, init),
});
