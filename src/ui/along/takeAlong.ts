import { z } from 'zod';

import {
  keepOnly,
  noteContact,
  OF_NO_HOME,
  putHome,
  putKept,
  toKept,
  type AlongHome,
} from '@/workers/along/alongStore';

const listSchema = z.object({
  name: z.string(),
  pages: z.array(z.string()),
  pictures: z.array(z.string()),
});

export interface AlongProgress {
  readonly done: number;
  readonly all: number;
  readonly bytes: number;
}

/** So many are asked for at once; more only wait for each other at the desk. */
const AT_ONCE = 4;

/**
 * Fetches every page and picture of a home and keeps it in this browser's own database, to be read
 * without a connection. What was kept before stays until its newer one has come; stopped or broken off it
 * is as good as before. Throws where the desk does not answer, or `signal` stops it.
 */
export async function takeAlong(
  projectId: string,
  means: { readonly signal: AbortSignal; readonly onProgress: (progress: AlongProgress) => void },
): Promise<AlongHome> {
  const listed = await ask(`/api/projects/${projectId}/along`, means.signal);
  const { name, pages, pictures } = listSchema.parse(await listed.json());
  const at = new Date();
  const urls = [...pages, ...pictures];
  const left = [...urls];
  const kept = new Set<string>();
  let [done, bytes] = [0, 0];
  const work = async (): Promise<void> => {
    for (let url = left.shift(); url !== undefined; url = left.shift()) {
      const size = await keepOne(url, projectId, means.signal);
      if (size !== undefined) kept.add(url);
      done += 1;
      bytes += size ?? 0;
      means.onProgress({ done, all: urls.length, bytes });
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  await keepOnly(projectId, kept);
  await noteContact(new Date());
  const home: AlongHome = {
    ...{ projectId, name, bytes },
    takenAt: at.toISOString(),
    pageCount: pages.filter((url) => kept.has(url)).length,
    pictureCount: pictures.filter((url) => kept.has(url)).length,
  };
  await putHome(home);
  return home;
}

/** Keeps one; its bytes, or undefined where the desk has none under that address. */
async function keepOne(
  url: string,
  projectId: string,
  signal: AbortSignal,
): Promise<number | undefined> {
  const isPage = !url.startsWith('/api/');
  const answer = await ask(isPage ? url : `${url}?size=screen`, signal).catch((fault: unknown) => {
    if (fault instanceof NotThere) return undefined;
    throw fault;
  });
  if (!answer) return undefined;
  const isOfHome = !isPage || url.startsWith(`/projects/${projectId}/`);
  const entry = await toKept(answer, {
    url,
    projectId: isOfHome ? projectId : OF_NO_HOME,
    now: new Date(),
  });
  await putKept(entry);
  return entry.body.byteLength;
}

/** Nothing is there: a page of a thing that was removed meanwhile, a picture whose file is gone. */
class NotThere extends Error {}

async function ask(url: string, signal: AbortSignal): Promise<Response> {
  const answer = await fetch(url, { signal, cache: 'no-store' });
  if (answer.status === 404) throw new NotThere(url);
  if (!answer.ok) throw new Error(`The desk answered ${answer.status} for ${url}.`);
  return answer;
}
