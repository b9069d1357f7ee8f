'use client';

import { useState } from 'react';

import { findInCatalogue, type ContainerProduct } from '@/core/fit';
import { formatCount, parseLength, type Currency } from '@/core/shared';
import type { Offer, Shop } from '@/core/shop';
import { TextField } from '../primitives/Field';
import { lengthErrorWords } from '../home/homeWords';
import { CatalogueTable } from './CatalogueTable';
import type { CatalogueActs } from './EditContainer';

interface CatalogueSearchProps {
  readonly containers: readonly ContainerProduct[];
  readonly offers: readonly Offer[];
  readonly shops: readonly Shop[];
  readonly currency: Currency;
  readonly acts: CatalogueActs;
}

const SIDES = [
  ['width', 'Width of the space'],
  ['depth', 'Depth'],
  ['height', 'Height'],
] as const;
type Side = (typeof SIDES)[number][0];

/** Finds a container by words and by the space it has to go into. */
export function CatalogueSearch({ containers, ...rest }: CatalogueSearchProps) {
  const [words, setWords] = useState('');
  const [typed, setTyped] = useState<Readonly<Record<Side, string>>>({
    width: '',
    depth: '',
    height: '',
  });
  const read = (side: Side) =>
    typed[side].trim() === '' ? undefined : parseLength(typed[side], 'cm');
  const mmOf = (side: Side): number => {
    const length = read(side);
    return length?.ok ? length.value.mm : Infinity;
  };
  const isSized = SIDES.some(([side]) => read(side)?.ok);
  const found = findInCatalogue(containers, {
    words,
    into: isSized
      ? { widthMm: mmOf('width'), depthMm: mmOf('depth'), heightMm: mmOf('height') }
      : null,
  });
  return (
    <>
      <div role="search" aria-label="Containers" className="mb-2 flex flex-wrap items-end gap-2">
        <TextField
          label="Find"
          placeholder="basket, see-through, stacks"
          className="min-w-[220px] flex-1"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        {SIDES.map(([side, label]) => {
          const length = read(side);
          return (
            <TextField
              key={side}
              label={label}
              isLength
              placeholder="any"
              className="w-[140px] max-md:w-[30%]"
              error={length && !length.ok ? lengthErrorWords(length.error) : undefined}
              value={typed[side]}
              onChange={(event) =>
                setTyped((before) => ({ ...before, [side]: event.target.value }))
              }
            />
          );
        })}
        <p role="status" className="pb-2 text-[14px] text-soft">
          {formatCount(found.length, 'container')}
          {found.length === containers.length ? '' : ` of ${containers.length}`}
        </p>
      </div>
      {found.length === 0 ? (
        <p className="panel p-4">
          Nothing in the catalogue answers to that. Take a word out, or a measure.
        </p>
      ) : (
        <CatalogueTable containers={found} {...rest} />
      )}
    </>
  );
}
