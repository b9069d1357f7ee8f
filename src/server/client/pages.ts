import 'server-only';

import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';

import {
  pageStateOf,
  type Asked,
  type ClientPage,
  type PageFault,
  type PageState,
  type SharePart,
} from '@/core/client';
import {
  addDays,
  clientPageIdSchema,
  err,
  ok,
  type ClientPageId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import { atomic, recordChange, stampOf } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { findClientPage, noteOpened } from '@/data/clientRepo';
import { clientPageRecord, loadRecords, sharingRecord } from '@/data/records';
import { createId, nowIso } from '../means';
import { askableNames, listAskable, loadShopLists } from './askable';

/** What is shared of a home at all. Pages that were made for more show no more than this. */
export const saveSharing = atomic(
  async (db: Db, projectId: ProjectId, parts: readonly SharePart[]): Promise<void> => {
    await recordChange(
      db,
      { projectId, deed: { code: 'sharing_changed' }, now: nowIso() },
      (writer) => writer.put(sharingRecord, { id: projectId, parts: [...parts] }),
    );
  },
);

export interface PageWish {
  readonly way: ClientPage['way'];
  readonly name: string;
  readonly mayAnswer: boolean;
  readonly parts: readonly SharePart[];
  /** Keys of what is asked. */
  readonly keys: readonly string[];
  /** After how many days a link ends; null: a file. */
  readonly days: number | null;
}

export interface MadePage {
  readonly page: ClientPage;
  /** Of a link: the only time that it is told. */
  readonly secret: string | undefined;
}

/**
 * Makes a page for somebody without the app: what is asked stands on it as it is now. The secret of a link is
 * kept as its hash alone.
 */
export async function makePage(
  db: Db,
  projectId: ProjectId,
  wish: PageWish,
): Promise<Result<MadePage, PageFault>> {
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, ...askableNames, 'sharings');
  const shared = records.sharings[0]?.parts ?? [];
  if (wish.parts.some((part) => !shared.includes(part))) return err({ code: 'not_shared' });
  const asked = wish.mayAnswer ? await askedNow(db, { records, stamp, keys: wish.keys }) : [];
  if (asked.length === 0 && wish.parts.length === 0) return err({ code: 'empty' });
  const secret = wish.way === 'link' ? makeSecret() : undefined;
  const page: ClientPage = {
    id: clientPageIdSchema.parse(createId()),
    projectId,
    way: wish.way,
    name: wish.name,
    mayAnswer: wish.mayAnswer,
    parts: [...wish.parts],
    asked,
    secretHash: secret === undefined ? null : hashOf(secret),
    madeAt: nowIso(),
    endsAt: wish.way === 'link' && wish.days !== null ? endAfter(wish.days) : null,
    revokedAt: null,
  };
  await recordChange(
    db,
    { projectId, deed: { code: 'client_page_made', name: wish.name }, now: nowIso() },
    (writer) => writer.insert(clientPageRecord, page),
  );
  return ok({ page, secret });
}

/** A link ends at the end of its last day. */
const endAfter = (days: number): string => `${addDays(nowIso().slice(0, 10), days)}T23:59:59.000Z`;

async function askedNow(
  db: Db,
  {
    records,
    stamp,
    keys,
  }: {
    readonly records: Parameters<typeof listAskable>[0];
    readonly stamp: string;
    readonly keys: readonly string[];
  },
): Promise<Asked[]> {
  if (keys.length === 0) return [];
  const lists = await loadShopLists(db, records, stamp);
  return listAskable(records, lists).filter(({ key }) => keys.includes(key));
}

/** Puts what has come to be asked since onto a page that is out; what was asked stays as it was. */
export async function askMore(db: Db, projectId: ProjectId, pageId: ClientPageId): Promise<number> {
  const page = await getPage(db, projectId, pageId);
  if (!page.mayAnswer || page.way === 'file') return 0;
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, ...askableNames);
  const known = new Map(page.asked.map((each) => [each.key, each]));
  const now = listAskable(records, await loadShopLists(db, records, stamp));
  // A question that was changed is asked as it is now: the page would show an old number.
  const fresh = now.filter((each) => JSON.stringify(known.get(each.key)) !== JSON.stringify(each));
  if (fresh.length === 0) return 0;
  const freshKeys = new Set(fresh.map(({ key }) => key));
  await recordChange(
    db,
    { projectId, deed: { code: 'client_page_changed', name: page.name }, now: nowIso() },
    (writer) =>
      writer.put(clientPageRecord, {
        ...page,
        asked: [...page.asked.filter(({ key }) => !freshKeys.has(key)), ...fresh],
      }),
  );
  return fresh.length;
}

/** Ends a page: a link opens nothing from now on, and answers of either way are no longer taken in. */
export const revokePage = atomic(
  async (db: Db, projectId: ProjectId, pageId: ClientPageId): Promise<void> => {
    const page = await getPage(db, projectId, pageId);
    if (page.revokedAt !== null) return;
    await recordChange(
      db,
      { projectId, deed: { code: 'client_page_revoked', name: page.name }, now: nowIso() },
      (writer) => writer.put(clientPageRecord, { ...page, revokedAt: nowIso() }),
    );
  },
);

/** A new secret for a link whose message did not go: the one before opens nothing any more. */
export const renewSecret = atomic(
  async (db: Db, projectId: ProjectId, pageId: ClientPageId): Promise<string> => {
    const page = await getPage(db, projectId, pageId);
    const secret = makeSecret();
    await recordChange(
      db,
      { projectId, deed: { code: 'client_page_changed', name: page.name }, now: nowIso() },
      (writer) => writer.put(clientPageRecord, { ...page, secretHash: hashOf(secret) }),
    );
    return secret;
  },
);

export async function getPage(
  db: Db,
  projectId: ProjectId,
  pageId: ClientPageId,
): Promise<ClientPage> {
  const page = await findClientPage(db, pageId);
  if (page?.projectId !== projectId) throw new DataError('not_found', 'there is no such page');
  return page;
}

/** 256 bits, so that nobody finds one by trying. */
const makeSecret = (): string => randomBytes(32).toString('base64url');
const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/**
 * The page behind a link, with how far it is good; undefined where the id or the secret is wrong, which are
 * not told apart. The compare takes as long for every secret.
 */
export async function findByLink(
  db: Db,
  { pageId, secret }: { readonly pageId: string; readonly secret: string },
): Promise<{ readonly page: ClientPage; readonly state: PageState } | undefined> {
  const id = clientPageIdSchema.safeParse(pageId);
  const page = id.success ? await findClientPage(db, id.data) : undefined;
  const kept = page?.secretHash ?? hashOf('');
  const isRight = timingSafeEqual(Buffer.from(hashOf(secret)), Buffer.from(kept));
  return page?.secretHash && isRight ? { page, state: pageStateOf(page, nowIso()) } : undefined;
}

/** Notes that a link was opened. */
export const noteOpening = (db: Db, pageId: ClientPageId): Promise<void> =>
  noteOpened(db, pageId, nowIso());
