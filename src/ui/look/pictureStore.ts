import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { type StoredPicture } from './outgoingPicture';

/** Where pictures lie until they have arrived. */
export interface PictureStore {
  readonly getAll: () => Promise<StoredPicture[]>;
  readonly get: (id: string) => Promise<StoredPicture | undefined>;
  readonly put: (picture: StoredPicture) => Promise<unknown>;
  readonly delete: (id: string) => Promise<void>;
}
interface OutboxSchema extends DBSchema {
  pictures: { key: string; value: StoredPicture };
}

/** The browser's own database, opened when it is first needed; where there is none, nothing is kept. */
export function createPictureStore(): PictureStore {
  let opening: Promise<IDBPDatabase<OutboxSchema>> | undefined;
  const open = () =>
    (opening ??= openDB<OutboxSchema>('tin-box-pictures', 1, {
      upgrade: (database) => void database.createObjectStore('pictures', { keyPath: 'id' }),
    }));
  return {
    getAll: async () => (typeof indexedDB === 'undefined' ? [] : (await open()).getAll('pictures')),
    get: async (id) => (await open()).get('pictures', id),
    put: async (picture) => (await open()).put('pictures', picture),
    delete: async (id) => (await open()).delete('pictures', id),
  };
}
