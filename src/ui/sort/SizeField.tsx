'use client';

import { useRef, useState } from 'react';

import { formatLitres, formatMass } from '@/core/shared';
import { readCorrection, type Correction } from '@/core/things';
import { vocabulary } from '@/core/things/vocabulary';
import { Button } from '../primitives/Button';
import type { Bench } from './useBench';

/** Keeps litres and grams of one piece for every thing of a kind; says whether that went well. */
export type SizeFieldKeeper = (typed: {
  readonly id: string;
  readonly litres?: number;
  readonly massG?: number;
  readonly uprightMm?: number;
  readonly longestMm?: number;
}) => Promise<boolean>;

interface SizeFieldProps {
  readonly bench: Bench;
  readonly onKeepKind: SizeFieldKeeper;
  readonly onDone: () => void;
}

/** One field for what a tape or a scale says: for the thing in hand, or for its kind from now on. */
export function SizeField({ bench, onKeepKind, onDone }: SizeFieldProps) {
  const { inHand } = bench;
  const [typed, setTyped] = useState('');
  const fieldRef = useRef<HTMLInputElement>(null);
  if (!inHand) return null;
  const correction = readCorrection(typed, {
    vocabulary,
    own: bench.own,
    bareUnit: bench.lengthUnit,
    count: inHand.count,
  });
  const kindName = inHand.kindId ?? inHand.name.split(/[,;(]/)[0]?.trim() ?? inHand.name;
  const keepHere = () => {
    if (!correction) return fieldRef.current?.focus();
    bench.change({ correction });
    onDone();
  };
  const keepKind = async () => {
    if (!correction) return;
    bench.change({ correction });
    if (await onKeepKind({ id: kindName, ...ofOnePiece(correction, inHand.count) })) onDone();
  };
  return (
    <form
      className="mt-2 flex flex-wrap items-center gap-2 text-[14px]"
      onSubmit={(event) => {
        event.preventDefault();
        keepHere();
      }}
    >
      <input
        ref={fieldRef}
        autoFocus
        aria-label="Size or weight"
        placeholder="12 l, 3.4 kg, 40 x 30 x 20, like a shoe box"
        maxLength={80}
        autoComplete="off"
        className="input min-h-9 w-[290px] py-1 max-md:w-full"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && onDone()}
      />
      <Button type="submit" look="main" disabled={!correction}>
        For this
      </Button>
      <Button disabled={!correction} onClick={() => void keepKind()}>
        For every {kindName}
      </Button>
      <span role="status" className="text-soft">
        {typed.trim() !== '' && sayCorrection(correction, inHand.count)}
      </span>
    </form>
  );
}

const ofOnePiece = ({ litres, massG, ...sides }: Correction, count: number): Correction => ({
  ...sides,
  ...(litres === undefined ? {} : { litres: litres / count }),
  ...(massG === undefined ? {} : { massG: massG / count }),
});

function sayCorrection(correction: Correction | undefined, count: number): string {
  if (!correction) return 'no size or weight is read in that yet';
  const figures = [
    correction.litres === undefined ? '' : formatLitres(correction.litres),
    correction.massG === undefined ? '' : formatMass(correction.massG),
  ].filter((figure) => figure !== '');
  return `${figures.join(', ')}${count > 1 ? ` for all ${count}` : ''}`;
}
