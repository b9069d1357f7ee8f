import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

import { DEFAULT_DAYS_WITHOUT_CONTACT, isForgotten } from '@/core/along';

/** A home that this device has taken along. */
export interface AlongHome {
  readonly projectId: string;
  readonly name: string;
  /** When all of it was last fetched. */
  readonly takenAt: string;
  readonly pageCount: number;
  readonly pictureCount: number;
  readonly bytes: number;
}

/** An answer of the desk as it came, to be given again without a connection. */
export interface KeptAnswer {
  /** Path and query. */
  readonly url: string;
  readonly projectId: string;
  readonly headers: readonly (readonly [string, string])[];
  readonly body: ArrayBuffer;
  readonly isZipped: boolean;
  readonly at: string;
  /** Where it led instead. */
  readonly leadsTo?: string;
}

interface AlongSchema extends DBSchema {
  homes: { key: string; value: AlongHome };
  kept: { key: string; value: KeptAnswer; indexes: { projectId: string } };
  settings: { key: string; value: string };
}

/** Whose the pages are that lead to every home. */
export const OF_NO_HOME = '';
const NAME = 'tin-box-along';
/** Contact is written down no more often than this. */
const CONTACT_EVERY_MS = 60_000;

let opening: Promise<IDBPDatabase<AlongSchema>> | undefined;
const open = (): Promise<IDBPDatabase<AlongSchema>> =>
  (opening ??= openDB<AlongSchema>(NAME, 1, {
    upgrade: (database) => {
      database.createObjectStore('homes', { keyPath: 'projectId' });
      database.createObjectStore('kept', { keyPath: 'url' }).createIndex('projectId', 'projectId');
      database.createObjectStore('settings');
    },
    blocking: (_from, _to, event) => {
      opening = undefined;
      (event.target as IDBDatabase).close();
    },
    terminated: () => {
      opening = undefined;
    },
  }));

export const listHomes = async (): Promise<AlongHome[]> => (await open()).getAll('homes');
export const putHome = async (home: AlongHome): Promise<void> => {
  await (await open()).put('homes', home);
};
export const findKept = async (url: string): Promise<KeptAnswer | undefined> =>
  (await open()).get('kept', url);
export const hasKept = async (url: string): Promise<boolean> =>
  (await (await open()).getKey('kept', url)) !== undefined;
export const putKept = async (answer: KeptAnswer): Promise<void> => {
  await (await open()).put('kept', answer);
};

/** Takes away what is kept of a home but is not in `urls`, so that what is gone at the desk goes here. */
export async function keepOnly(projectId: string, urls: ReadonlySet<string>): Promise<void> {
  const change = (await open()).transaction('kept', 'readwrite');
  for (const url of await change.store.index('projectId').getAllKeys(projectId))
    if (!urls.has(url)) await change.store.delete(url);
  await change.done;
}

/** Pages that lead to every home go with the last of them. */
export async function removeHome(projectId: string): Promise<void> {
  await keepOnly(projectId, new Set());
  await (await open()).delete('homes', projectId);
  if ((await listHomes()).length === 0) await keepOnly(OF_NO_HOME, new Set());
}

export async function getDaysWithoutContact(): Promise<number> {
  const days = Number(await (await open()).get('settings', 'days'));
  return days > 0 ? days : DEFAULT_DAYS_WITHOUT_CONTACT;
}
export const setDaysWithoutContact = async (days: number): Promise<void> => {
  await (await open()).put('settings', String(days), 'days');
};

/** Notes that the desk was reached. */
export async function noteContact(now: Date): Promise<void> {
  const last = Date.parse((await (await open()).get('settings', 'contactAt')) ?? '');
  if (Math.abs(now.getTime() - last) < CONTACT_EVERY_MS) return;
  await (await open()).put('settings', now.toISOString(), 'contactAt');
}

/** Forgets every home where the desk was not reached for too long; whether it did. */
export async function forgetWhenTooOld(now: Date): Promise<boolean> {
  const homes = await listHomes();
  if (homes.length === 0) return false;
  const contactAt = (await (await open()).get('settings', 'contactAt')) ?? '';
  if (!isForgotten(contactAt, await getDaysWithoutContact(), now)) return false;
  for (const { projectId } of homes) await removeHome(projectId);
  return true;
}

/** Everything that this program keeps in the browser, what waits to be sent too. */
export async function forgetEverything(): Promise<void> {
  const database = await opening;
  database?.close();
  opening = undefined;
  const names = await indexedDB.databases();
  await Promise.all(
    names.map(
      ({ name }) =>
        new Promise<void>((resolve) => {
          if (name === undefined) return resolve();
          const request = indexedDB.deleteDatabase(name);
          request.onsuccess = request.onerror = request.onblocked = () => resolve();
        }),
    ),
  );
}

const MEANT_TO_KEEP = new Set([
  'content-type',
  'content-security-policy',
  'x-content-type-options',
  'x-frame-options',
  'referrer-policy',
  'cross-origin-opener-policy',
  'cross-origin-resource-policy',
  'permissions-policy',
]);

/** An answer as it is kept: its text in a gzip, its headers of safety with it. */
export async function toKept(
  response: Response,
  { url, projectId, now }: { readonly url: string; readonly projectId: string; readonly now: Date },
): Promise<KeptAnswer> {
  const headers = [...response.headers].filter(([name]) => MEANT_TO_KEEP.has(name));
  const isZipped = (response.headers.get('content-type') ?? '').startsWith('text/');
  const bytes = isZipped
    ? response.body?.pipeThrough(new CompressionStream('gzip'))
    : response.body;
  const to = new URL(response.url);
  return {
    url,
    projectId,
    headers,
    isZipped,
    at: now.toISOString(),
    body: response.redirected
      ? new ArrayBuffer(0)
      : await new Response(bytes ?? null).arrayBuffer(),
    ...(response.redirected ? { leadsTo: to.pathname + to.search } : {}),
  };
}
