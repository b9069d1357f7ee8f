import 'server-only';

import type { PictureId } from '@/core/shared';
import type { DecisionEvent } from '@/core/sort';
import type { Db } from '@/data/db';
import { lastSeqOf } from '@/data/decisionLog';
import { listIds, mapIds } from '@/data/idPaths';
import { hasPictureFiles } from '@/data/pictureFiles';
import { findReceiptOf } from '@/data/projectRepo';
import {
  type AnyRecord,
  findOwnedByAny,
  getRecordKind,
  isShared,
  recordKinds,
} from '@/data/records';
import { createId } from '../means';
import { pictureIdsOf, projectOf, type ProjectDocument } from './projectFile';

/**
 * What a decision names. Its own id and its thing's are counted within its project, and stay. A group or a
 * picture may be gone since: then it must not become one that is here.
 */
const EVENT_IDS: Readonly<Record<string, string>> = {
  roomId: 'rooms',
  'destination.roomId': 'rooms',
  groupId: 'groups',
  pictureId: 'thingPictures|pictures',
};

/** From the ids of a file to those under which its records come in. */
export interface IdMap {
  readonly record: (kindName: string, record: AnyRecord) => AnyRecord;
  readonly event: (event: DecisionEvent) => DecisionEvent;
  readonly file: (id: string) => string;
}

/**
 * Where nothing of the file is here yet, it keeps its ids: pages and devices that know them go on.
 * Otherwise all that is the home's own comes in under fresh ids, by the records' own description of
 * what they name, so that nothing of it can touch what is here.
 */
export async function createIdMap(
  db: Db,
  dataDir: string,
  document: ProjectDocument,
): Promise<IdMap> {
  const own = listOwnIds(document);
  if (!(await isAnyTaken(db, dataDir, own, document))) return UNCHANGED;
  const fresh = new Map<string, string>();
  const freshOf = (kindName: string, id: string): string => {
    const key = `${kindName} ${id}`;
    const known = fresh.get(key) ?? createId();
    fresh.set(key, known);
    return known;
  };
  const foreign = await listForeignContainers(db, document);
  const map = (id: string, target: string): string => {
    if (target.endsWith('~')) return mapEnd(id, target.slice(0, -1));
    const names = target.split('|');
    const name = names.find((each) => own.get(each)?.has(id));
    if (name !== undefined) return freshOf(name, id);
    // What the price list holds or held keeps its name, unless that is another home's here.
    const isListed = names.some((each) => each === 'containers' || each === 'shops');
    const isKept = names.includes('?') || (isListed && !foreign.has(id));
    // Named, and gone since: it stays gone, and must not become something that is here.
    return isKept ? id : freshOf(names[0] ?? '', id);
  };
  const mapEnd = (text: string, name: string): string => {
    const id = [...(own.get(name) ?? [])].find((each) => text.endsWith(`-${each}`));
    return id === undefined ? text : `${text.slice(0, -id.length)}${freshOf(name, id)}`;
  };
  return {
    record: (kindName, record) => {
      const kind = getRecordKind(kindName);
      if (isShared(kind, record)) return mapIds(record, kind.ids, map);
      const named = mapIds(record, kind.ids, map);
      const withFile =
        kind.fileField === undefined || kind.fileField === 'id'
          ? named
          : mapIds(named, { [kind.fileField]: 'files' }, (id) => freshOf('files', id));
      return { ...withFile, id: freshIdOf(kindName, withFile, record) };
    },
    event: (event) => mapIds(event, EVENT_IDS, map),
    file: (id) => {
      const name = ['pictures', 'thingPictures'].find((each) => own.get(each)?.has(id));
      return freshOf(name ?? 'files', id);
    },
  };

  function freshIdOf(kindName: string, mapped: AnyRecord, before: AnyRecord): string {
    const kind = getRecordKind(kindName);
    if (kind.composeId) return kind.composeId(mapped);
    // One a parent: its id is the parent's, which is mapped already.
    if (kind.parent?.field === 'id') return mapped.id;
    return freshOf(kindName, before.id);
  }
}

const UNCHANGED: IdMap = {
  record: (_, record) => record,
  event: (event) => event,
  file: (id) => id,
};

const listOwnIds = (document: ProjectDocument): Map<string, ReadonlySet<string>> =>
  idSets(document, (kindName, record) => !isShared(getRecordKind(kindName), record));
const listSharedIds = (document: ProjectDocument): Map<string, ReadonlySet<string>> =>
  idSets(document, (kindName, record) => isShared(getRecordKind(kindName), record));

const idSets = (
  document: ProjectDocument,
  isIn: (kindName: string, record: AnyRecord) => boolean,
): Map<string, ReadonlySet<string>> =>
  new Map(
    [...document.records].map(([name, list]) => [
      name,
      new Set(list.filter((record) => isIn(name, record)).map(({ id }) => id)),
    ]),
  );

/** Containers that the file names and that are another home's here. */
async function listForeignContainers(db: Db, document: ProjectDocument): Promise<Set<string>> {
  const named = new Set<string>();
  for (const kind of recordKinds)
    for (const record of document.records.get(kind.name) ?? [])
      for (const { target, id } of listIds(record, kind.ids))
        if (target.split('|').includes('containers')) named.add(id);
  return new Set(await findOwnedByAny(db, getRecordKind('containers'), [...named]));
}

/** A picture that stands, or one that was removed and can still come back. */
const isPictureTaken = async (db: Db, dataDir: string, id: PictureId): Promise<boolean> =>
  (await hasPictureFiles(dataDir, id)) || (await findReceiptOf(db, id)) !== undefined;

/** Whether any id of the file, of a record or only named, is something of another home here. */
async function isAnyTaken(
  db: Db,
  dataDir: string,
  own: ReadonlyMap<string, ReadonlySet<string>>,
  document: ProjectDocument,
): Promise<boolean> {
  const asked = new Map([...own].map(([name, ids]) => [name, new Set(ids)]));
  const shared = listSharedIds(document);
  for (const kind of recordKinds)
    for (const record of document.records.get(kind.name) ?? [])
      for (const { target, id } of listIds(record, kind.ids))
        for (const name of target.split('|'))
          if (asked.has(name) && !shared.get(name)?.has(id)) asked.get(name)?.add(id);
  for (const kind of recordKinds) {
    const taken = await findOwnedByAny(db, kind, [...(asked.get(kind.name) ?? [])]);
    if (taken.length > 0) return true;
  }
  for (const id of pictureIdsOf(document.records))
    if (await isPictureTaken(db, dataDir, id)) return true;
  return (await lastSeqOf(db, projectOf(document).id)) > 0;
}
