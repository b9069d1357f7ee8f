import type { ReactNode } from 'react';

import { buttonClass } from '../primitives/Button';

interface LookingOnlyProps {
  readonly projectId: string;
  readonly homeName: string;
  readonly typed: string;
  readonly hits: readonly { readonly id: string; readonly label: string; readonly note: string }[];
  /** The place of what was chosen. */
  readonly children: ReactNode;
}

/** A page to ask where things are, for whoever lives in the home: it changes nothing, and needs no script. */
export function LookingOnly({ projectId, homeName, typed, hits, children }: LookingOnlyProps) {
  const base = `/projects/${projectId}/where`;
  return (
    <main id="work" className="worktop relative min-h-dvh p-4 md:h-dvh md:overflow-y-auto">
      <div className="mx-auto max-w-[760px]">
        <p className="text-[14px] text-soft">{homeName}</p>
        <h1 className="mb-2 text-[26px]">Where is it?</h1>
        <form action={base} className="flex gap-2">
          <input
            type="search"
            name="q"
            aria-label="What you look for"
            placeholder="candles, a room, a place"
            className="input text-[17px]"
            defaultValue={typed}
            maxLength={100}
            autoComplete="off"
          />
          <button type="submit" className={buttonClass('main')}>
            Find
          </button>
        </form>
        {children && <div className="mt-4">{children}</div>}
        {typed !== '' && hits.length === 0 && (
          <p className="mt-3 text-[16px]">Nothing in this home has all of these words.</p>
        )}
        {hits.length > 0 && (
          <ul aria-label="Found" className="panel mt-4 divide-y divide-line">
            {hits.map(({ id, label, note }) => (
              <li key={id}>
                <a
                  href={`${base}?${new URLSearchParams({ q: typed, id }).toString()}`}
                  className="flex min-h-12 flex-col justify-center px-4 py-2 hover:bg-rim-wash"
                >
                  <b>{label}</b> <span className="text-[14.5px] text-soft">{note}</span>
                </a>
              </li>
            ))}
          </ul>
        )}
      </div>
    </main>
  );
}
