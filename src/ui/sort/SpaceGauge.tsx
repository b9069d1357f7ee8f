'use client';

import { useState } from 'react';

import { formatLitres } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import type { Bench } from './useBench';
import { useMutation } from '../useMutation';

interface SpaceGaugeProps {
  readonly bench: Bench;
  readonly roomLitres: number;
  readonly onPlaceGroup: (
    assignment: readonly { readonly groupId: string; readonly bayId: string | null }[],
  ) => Promise<ActionResult>;
}

/** How full the keep pile makes its place, with the thing in hand tried in it. */
export function SpaceGauge({ bench, roomLitres, onPlaceGroup }: SpaceGaugeProps) {
  const { space, inHand, bays } = bench;
  const openBays = bays.filter((bay) => !bay.outOfScope);
  if (openBays.length === 0)
    return (
      <p className="mt-3 text-[14px] text-soft">
        No place is measured in this room yet, so there is nothing to fill.
      </p>
    );
  const group = bench.roomGroups.find(({ id }) => id === inHand?.groupId);
  return (
    <div className="mt-3">
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 text-[14px]">
        <PlaceChoice bench={bench} group={group} openBays={openBays} onPlaceGroup={onPlaceGroup} />
        <span className="font-mono">{formatLitres(space?.usableLitres ?? roomLitres)}</span>
      </div>
      <Gauge
        usable={space?.usableLitres ?? roomLitres}
        kept={space?.keptLitres ?? bench.roomKeptLitres}
        inHand={inHand?.litres ?? 0}
      />
      <p className="flex flex-wrap justify-between gap-x-4 text-[13.5px]">
        <span className="text-soft">
          <span className="font-mono">
            {formatLitres(space?.keptLitres ?? bench.roomKeptLitres)}
          </span>{' '}
          {space ? 'kept there so far' : 'kept in this room so far'}
        </span>
        <span>{wordFit(bench, roomLitres)}</span>
      </p>
      {bench.groupNeed && bench.groupNeed.pieces > 1 && (
        <BestOf
          key={group?.id}
          need={bench.groupNeed}
          usableLitres={space?.usableLitres}
          otherLitres={
            space
              ? space.keptLitres + space.inHandLitres - bench.groupNeed.litresOfBest(Infinity)
              : 0
          }
        />
      )}
    </div>
  );
}

/** Where the group in hand lives, or which place is tried for it. */
function PlaceChoice({
  bench,
  group,
  openBays,
  onPlaceGroup,
}: Pick<SpaceGaugeProps, 'bench' | 'onPlaceGroup'> & {
  readonly group: Bench['roomGroups'][number] | undefined;
  readonly openBays: Bench['bays'];
}) {
  const { mutate } = useMutation();
  const { space, bays } = bench;
  if (group?.bayId && space)
    return (
      <span>
        <b>{group.name}</b> live on <b>{space.bay.name}</b>
      </span>
    );
  return (
    <span className="flex flex-wrap items-center gap-1.5">
      <label htmlFor="bench-bay">
        {group ? (
          <>
            <b>{group.name}</b> have no home yet; try
          </>
        ) : (
          'Room left on'
        )}
      </label>
      <select
        id="bench-bay"
        className="input min-h-9 w-auto max-w-[240px] py-1"
        value={space?.bay.id ?? ''}
        onChange={(event) => bench.chooseBay(bays.find(({ id }) => id === event.target.value)?.id)}
      >
        <option value="">the whole room</option>
        {openBays.map((bay) => (
          <option key={bay.id} value={bay.id}>
            {bay.name}
          </option>
        ))}
      </select>
      {group?.bayId === null && space && (
        <button
          type="button"
          className="min-h-9 rounded-[5px] border border-rim px-2.5 font-[650] text-rim-deep max-md:min-h-12"
          onClick={() =>
            void mutate(() => onPlaceGroup([{ groupId: group.id, bayId: space.bay.id }]))
          }
        >
          They live here
        </button>
      )}
    </span>
  );
}

/** "the 4 that fit, all 6 are 0.7 l too many", as a person would say it. */
function wordFit({ space, inHand, roomKeptLitres }: Bench, roomLitres: number): string {
  if (!space) {
    const free = roomLitres - roomKeptLitres;
    return free >= 0
      ? `${formatLitres(free)} free in the room`
      : `${formatLitres(-free)} more than the room takes`;
  }
  if (!inHand)
    return space.freeLitres >= 0
      ? `${formatLitres(space.freeLitres)} free`
      : `${formatLitres(-space.freeLitres)} too much already`;
  const spare = space.freeLitres - space.inHandLitres;
  const off = space.offLitres >= 0.5 ? ` ± ${formatLitres(space.offLitres)}` : '';
  const all = inHand.count === 1 ? 'it' : `all ${inHand.count}`;
  // Nearer to the edge than the figures are known.
  if (Math.abs(spare) < space.offLitres) {
    const words = `${all} may not fit: ${formatLitres(Math.abs(spare))} ${spare >= 0 ? 'to spare' : 'too much'}${off}`;
    const some = space.fittingCount ?? 0;
    return some < inHand.count
      ? `${words}; ${some} of ${inHand.count} fit at the usual size`
      : words;
  }
  if (space.overLitres === 0)
    return `${all} ${inHand.count === 1 ? 'fits' : 'fit'}, ${formatLitres(spare)} to spare${off}`;
  const fitting = space.fittingCount ?? 0;
  const over = `${formatLitres(space.overLitres)} too much${off}`;
  if (fitting === 0)
    return inHand.count === 1
      ? `it does not fit: ${over}`
      : `none of the ${inHand.count} fits: ${over}`;
  return `${fitting} of ${inHand.count} fit, all ${inHand.count} are ${over}`;
}

interface BestOfProps {
  readonly need: NonNullable<Bench['groupNeed']>;
  /** Of the place; undefined where none is chosen. */
  readonly usableLitres: number | undefined;
  /** What else is kept in the same place. */
  readonly otherLitres: number;
}

/** What all of a group needs, and what the best so many of it would. */
function BestOf({ need, usableLitres, otherLitres }: BestOfProps) {
  const [typed, setTyped] = useState('20');
  const best = Math.min(need.pieces, Math.max(0, Math.floor(Number(typed)) || 0));
  const fits = (litres: number) => {
    if (usableLitres === undefined) return '';
    return otherLitres + litres <= usableLitres + 1e-9 ? ', fits' : ', does not fit';
  };
  const words = (pieces: number) =>
    `${formatLitres(need.litresOfBest(pieces))}${fits(need.litresOfBest(pieces))}`;
  return (
    <p className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[13.5px] text-soft">
      <span>
        all {need.pieces}: <span className="font-mono text-ink">{words(need.pieces)}</span>
      </span>
      <span className="flex items-center gap-1.5">
        <label htmlFor="best-of">the best</label>
        <input
          id="best-of"
          inputMode="numeric"
          className="input measure min-h-7 w-[52px] px-1.5 py-0 max-md:min-h-12"
          value={typed}
          onChange={(event) => setTyped(event.target.value.replace(/\D/g, '').slice(0, 4))}
        />
        <span className="font-mono text-ink">{words(best)}</span>
      </span>
    </p>
  );
}

function Gauge({ usable, kept, inHand }: { usable: number; kept: number; inHand: number }) {
  const whole = Math.max(usable, kept + inHand, 0.001);
  const percent = (litres: number) => `${(litres / whole) * 100}%`;
  const fits = Math.max(0, Math.min(inHand, usable - kept));
  return (
    <div aria-hidden="true" className="relative my-1 h-4">
      <div
        className="absolute inset-y-0 left-0 rounded-[3px] border-[1.5px] border-ink bg-white"
        style={{ width: percent(usable) }}
      />
      <div
        className="absolute inset-y-[1.5px] left-[1.5px] bg-rim-mid"
        style={{ width: percent(Math.min(kept, usable)) }}
      />
      <div
        className="absolute inset-y-[1.5px] bg-rim"
        style={{ left: percent(kept), width: percent(fits) }}
      />
      {kept + inHand > usable && (
        <div
          className="absolute inset-y-[1.5px] bg-[repeating-linear-gradient(135deg,#c8641b_0_4px,#f0b98c_4px_8px)]"
          style={{ left: percent(Math.min(usable, kept + fits)), right: 0 }}
        />
      )}
    </div>
  );
}
