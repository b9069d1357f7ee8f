'use client';
import clsx from 'clsx';

import { Keyboard, Search } from 'lucide-react';
import { useEffect, useState } from 'react';

import { Sheet } from '../primitives/Sheet';
import { useKeys } from '../primitives/useKeys';
import { FIND_EVENT } from './findEvent';
import { openKeys } from './keysEvent';
import { Link } from '../primitives/Link';

interface Hit {
  readonly kind: string;
  readonly label: string;
  readonly note: string;
  readonly href: string;
}
const KIND_WORDS: Readonly<Record<string, string>> = {
  project: 'home',
  room: 'room',
  group: 'group',
  thing: 'thing',
  bay: 'place',
  container: 'container',
};

/** One box, one key: rooms, groups, things, places and containers by any of their words. */
export function Find({ projectId }: { projectId?: string }) {
  const [isOpen, setIsOpen] = useState(false);
  useKeys({ f: () => setIsOpen(true) });
  useEffect(() => {
    const open = () => setIsOpen(true);
    window.addEventListener(FIND_EVENT, open);
    return () => window.removeEventListener(FIND_EVENT, open);
  }, []);
  return (
    <>
      <button
        type="button"
        onClick={() => setIsOpen(true)}
        className={clsx(
          'flex min-h-9 shrink-0 items-center gap-1.5 rounded-[5px] border-[1.5px] border-line',
          'bg-white px-2.5 text-[13px] text-soft max-md:min-h-12',
        )}
      >
        <Search size={15} aria-hidden="true" /> <span className="max-md:sr-only">Find</span>{' '}
        <kbd className="max-md:hidden">F</kbd>
      </button>
      <button
        type="button"
        aria-label="Keys"
        title="Keys (?)"
        onClick={openKeys}
        className="grid size-9 shrink-0 place-items-center rounded-[5px] text-soft hover:bg-well max-md:hidden"
      >
        <Keyboard size={17} aria-hidden="true" />
      </button>
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="Find anything">
        {isOpen && <FindBody projectId={projectId} onGo={() => setIsOpen(false)} />}
      </Sheet>
    </>
  );
}

function FindBody({ projectId, onGo }: { projectId: string | undefined; onGo: () => void }) {
  const [query, setQuery] = useState('');
  const { hits, isFailed } = useHits(query, projectId);
  return (
    <>
      <input
        autoFocus
        type="search"
        className="input"
        aria-label="Words to find"
        placeholder="A room, a group, a thing, a place, a container"
        value={query}
        onChange={(event) => setQuery(event.target.value)}
      />
      {isFailed && (
        <p className="warn mt-3">The search did not answer. Is Tin Box still running?</p>
      )}
      {hits && hits.length === 0 && query.trim() !== '' && (
        <p className="mt-3 text-soft">Nothing here has all of these words.</p>
      )}
      <ul className="mt-2 divide-y divide-line">
        {hits?.map((hit) => (
          <li key={`${hit.kind}${hit.href}${hit.label}`}>
            <Link
              href={hit.href}
              onClick={onGo}
              className="flex min-h-12 items-center gap-3 rounded px-2 py-1.5 hover:bg-rim-wash"
            >
              <span className="w-[74px] shrink-0 text-[13px] text-soft">
                {KIND_WORDS[hit.kind]}
              </span>
              <span className="min-w-0 flex-1">
                <b className="font-[650]">{hit.label}</b>{' '}
                <span className="text-[13.5px] text-soft">{hit.note}</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}

function useHits(
  query: string,
  projectId: string | undefined,
): { hits: readonly Hit[] | undefined; isFailed: boolean } {
  const [state, setState] = useState<{ hits: readonly Hit[] | undefined; isFailed: boolean }>({
    hits: undefined,
    isFailed: false,
  });
  useEffect(() => {
    const abort = new AbortController();
    const params = new URLSearchParams({
      q: query,
      ...(projectId === undefined ? {} : { project: projectId }),
    });
    // A short wait, so that a word is asked for and not each of its letters.
    const timer = setTimeout(() => {
      fetch(`/api/find?${params}`, { signal: abort.signal })
        .then(async (response) =>
          setState({
            hits: response.ok ? ((await response.json()) as { hits: Hit[] }).hits : [],
            isFailed: !response.ok,
          }),
        )
        .catch((error: unknown) => {
          if (!abort.signal.aborted) setState({ hits: [], isFailed: error instanceof Error });
        });
    }, 120);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [query, projectId]);
  return state;
}
