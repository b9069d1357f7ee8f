import {
  openDB,
  type DBSchema,
  type IDBPDatabase,
  type IDBPTransaction,
  type StoreNames,
} from 'idb';

import type { Waiting } from './waiting';

/** Where things lie until they are kept: one list a browser, whichever of its tabs they were made in. */
export interface OutboxStore<T extends Waiting> {
  /** Oldest first. */
  readonly getAll: () => Promise<T[]>;
  /** Adds what is new at the end, and changes what is there in its place. */
  readonly put: (entries: readonly T[]) => Promise<void>;
  readonly delete: (ids: readonly string[]) => Promise<void>;
}

interface StoreSchema<T> extends DBSchema {
  waiting: { key: number; value: T & { readonly id: string }; indexes: { id: string } };
  /** Of the first version of the pictures' outbox, in the order of their ids. */
  pictures: { key: string; value: T };
}

async function bringUp<T extends Waiting>(
  database: IDBPDatabase<StoreSchema<T>>,
  change: IDBPTransaction<StoreSchema<T>, StoreNames<StoreSchema<T>>[], 'versionchange'>,
): Promise<void> {
  if (!database.objectStoreNames.contains('waiting'))
    database
      .createObjectStore('waiting', { autoIncrement: true })
      .createIndex('id', 'id', { unique: true });
  if (!database.objectStoreNames.contains('pictures')) return;
  for (const old of await change.objectStore('pictures').getAll())
    await change.objectStore('waiting').add(old);
  database.deleteObjectStore('pictures');
}

/** The browser's own database, opened when it is first needed; where there is none, nothing is kept. */
export function createOutboxStore<T extends Waiting>(name: string, version = 1): OutboxStore<T> {
  let opening: Promise<IDBPDatabase<StoreSchema<T>>> | undefined;
  const open = () =>
    (opening ??= openDB<StoreSchema<T>>(name, version, {
      upgrade: (database, _from, _to, change) => void bringUp(database, change),
      // A newer version of the program waits for this one to let go.
      blocking: (_from, _to, event) => (event.target as IDBDatabase).close(),
    }));
  return {
    getAll: async () => (typeof indexedDB === 'undefined' ? [] : (await open()).getAll('waiting')),
    put: async (entries) => {
      const change = (await open()).transaction('waiting', 'readwrite', { durability: 'strict' });
      for (const entry of entries) {
        const key = await change.store.index('id').getKey(entry.id);
        await (key === undefined ? change.store.add(entry) : change.store.put(entry, key));
      }
      await change.done;
    },
    delete: async (ids) => {
      const change = (await open()).transaction('waiting', 'readwrite');
      // All asked at once: one after the other a hundred take the browser a while.
      const keys = await Promise.all(ids.map((id) => change.store.index('id').getKey(id)));
      await Promise.all(keys.map((key) => key !== undefined && change.store.delete(key)));
      await change.done;
    },
  };
}
