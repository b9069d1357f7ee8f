'use client';

import dynamic from 'next/dynamic';

import type { ConflictsProps } from './Conflicts';

export type { ConflictsProps } from './Conflicts';

/** Rare: loaded where there are any. */
export const Conflicts = dynamic(() => import('./Conflicts').then((part) => part.Conflicts));

/** The same above what it is about, on its own page; nothing where there is none. */
export const ConflictsHere = (props: ConflictsProps) =>
  props.conflicts.length === 0 ? null : (
    <section aria-label="Said differently on two devices" className="warn mb-3">
      <h2 className="text-[16px]">Said differently on two devices</h2>
      <Conflicts {...props} />
    </section>
  );
