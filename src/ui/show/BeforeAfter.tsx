'use client';
import clsx from 'clsx';

import { useState } from 'react';

import type { Picture } from '@/core/look';
import { PrivatePicture } from '../primitives/PrivatePicture';

interface BeforeAfterProps {
  readonly name: string;
  readonly before: Picture;
  readonly after: Picture;
  readonly beforeWords: string;
  readonly afterWords: string;
}

/**
 * Before and after from the same spot, one over the other, with a divider that is dragged or moved
 * by keys.
 */
export function BeforeAfter({ name, before, after, beforeWords, afterWords }: BeforeAfterProps) {
  const [percent, setPercent] = useState(50);
  return (
    <>
      <PrintedPair
        name={name}
        before={before}
        after={after}
        beforeWords={beforeWords}
        afterWords={afterWords}
      />
      <figure
        className="relative overflow-hidden rounded-[7px] border-2 border-ink bg-ink print:hidden"
        style={{ aspectRatio: `${after.widthPx} / ${after.heightPx}`, width: '100%' }}
      >
        <PrivatePicture
          pictureId={after.id}
          alt={`After, ${name}`}
          className="absolute inset-0 size-full object-cover"
          whenMissing="Take it again or bring it in under Look."
        />
        <PrivatePicture
          pictureId={before.id}
          alt={`Before, ${name}`}
          className="absolute inset-0 size-full object-cover"
          whenMissing="Take it again or bring it in under Look."
          style={{ clipPath: `inset(0 ${100 - percent}% 0 0)` }}
        />
        <div
          aria-hidden="true"
          className="absolute inset-y-0 w-1 -translate-x-1/2 bg-white"
          style={{ left: `${percent}%` }}
        >
          <span
            className={clsx(
              'absolute top-1/2 left-1/2 grid size-9 -translate-1/2 place-items-center rounded-full',
              'border-2 border-rim bg-white font-mono text-[13px] text-rim-deep',
            )}
          >
            ↔
          </span>
        </div>
        <input
          type="range"
          min={0}
          max={100}
          value={percent}
          onChange={(event) => setPercent(Number(event.target.value))}
          aria-label={`Divide before from after, ${name}`}
          className="absolute inset-0 size-full cursor-ew-resize opacity-0"
        />
        <figcaption className="pointer-events-none">
          <span className="absolute bottom-0 left-0 rounded-tr bg-sheet px-3 py-1.5 text-[13.5px]">
            <b>Before</b> {beforeWords}
          </span>
          <span className="absolute right-0 bottom-0 rounded-tl bg-sheet px-3 py-1.5 text-[13.5px]">
            <b>After</b> {afterWords}
          </span>
        </figcaption>
      </figure>
    </>
  );
}

/** On paper nothing can be dragged: the two stand side by side. */
function PrintedPair({ name, before, after, beforeWords, afterWords }: BeforeAfterProps) {
  return (
    <div className="hidden grid-cols-2 gap-3 print:grid">
      {[
        { picture: before, word: 'Before', day: beforeWords },
        { picture: after, word: 'After', day: afterWords },
      ].map(({ picture, word, day }) => (
        <figure key={word}>
          <PrivatePicture pictureId={picture.id} alt={`${word}, ${name}`} className="w-full" />
          <figcaption>
            <b>{word}</b> {day}, {name}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
