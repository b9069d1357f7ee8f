'use client';
import clsx from 'clsx';

import { Check } from 'lucide-react';
import { useState } from 'react';

import { loadOrder, type FitAnswer, type FitRequest, type MockCheck } from '@/core/fit';
import { formatLength, type LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { MockUpDrawing } from './MockUpDrawing';
import { showNotice } from '../primitives/notices';
import { useMutation } from '../useMutation';
import { sizeWords } from './fitWords';

interface MockUpViewProps {
  readonly request: FitRequest;
  readonly answer: FitAnswer;
  readonly checks: readonly MockCheck[];
  readonly measureUnit: LengthUnit;
  readonly onCheck: (check: MockCheck) => Promise<ActionResult>;
  readonly onCorrect: (
    containerId: string,
    typed: { width: string; depth: string; height: string },
  ) => Promise<ActionResult & { readonly words?: string }>;
}

const TRIALS = [
  ['goesIn', 'goes in'],
  ['comesOut', 'comes out'],
  ['doorShuts', 'door shuts'],
] as const;

/** The sheet that goes to the empty place: outlines to scale, and for each container what was tried. */
export function MockUpView({
  request,
  answer,
  checks,
  measureUnit,
  onCheck,
  onCorrect,
}: MockUpViewProps) {
  const { mutate } = useMutation();
  // Ticks follow each other faster than they are kept: what was just ticked counts at once.
  const [ticked, setTicked] = useState<Readonly<Record<number, MockCheck>>>({});
  const checkOf = (index: number): MockCheck =>
    ticked[index] ??
    checks.find((check) => check.index === index) ?? {
      index,
      goesIn: false,
      comesOut: false,
      doorShuts: false,
    };
  const tick = async (check: MockCheck) => {
    setTicked((before) => ({ ...before, [check.index]: check }));
    const result = await mutate(() => onCheck(check));
    if (!result.ok) setTicked({});
  };
  const order = loadOrder(answer.placements);
  const drawn = { request, answer, measureUnit, order };
  const tried = answer.placements
    .map((_, index) => checkOf(index))
    .filter(({ goesIn, comesOut, doorShuts }) => goesIn && comesOut && doorShuts).length;
  return (
    <>
      <section
        aria-label="Drawing to scale"
        className="panel squared mb-3 flex flex-wrap gap-x-6 gap-y-2 border-t-4 border-t-rim p-3"
      >
        <MockUpDrawing {...drawn} view="front" />
        <MockUpDrawing {...drawn} view="above" />
      </section>
      <p className="mb-2 text-[14.5px]">
        <b className="font-mono">
          {tried} of {answer.placements.length}
        </b>{' '}
        tried and good. Cut paper to the outlines or use what is at hand; load nothing before all of
        it goes in, comes out and the door shuts. They are numbered as they go in: what stands
        behind and below first.
      </p>
      <ol className="panel divide-y divide-line">
        {order.map((index, turn) => {
          const placement = answer.placements[index]!;
          const container = request.containers.find(({ id }) => id === placement.containerId);
          const check = checkOf(index);
          return (
            <li key={index} className="flex flex-wrap items-center gap-x-4 gap-y-1.5 px-3 py-2">
              <b className="w-7 font-mono text-[18px]">{turn + 1}</b>
              <span className="min-w-[190px] flex-1 text-[14.5px]">
                <b className="font-[650]">{container?.name}</b>
                <span className="block text-[13.5px] text-soft">
                  {request.groups.find(({ id }) => id === placement.groupId)?.name}
                  {placement.z > 0 ? ', on the one below' : ''}
                  {container ? ` · ${sizeWords(container.outer, measureUnit)}` : ''}
                </span>
              </span>
              <span className="flex flex-wrap gap-1.5">
                {TRIALS.map(([key, label]) => (
                  <button
                    key={key}
                    type="button"
                    aria-pressed={check[key]}
                    aria-label={`${turn + 1}: ${label}`}
                    onClick={() => void tick({ ...check, [key]: !check[key] })}
                    className={clsx(
                      'flex min-h-9 items-center gap-1 rounded-[5px] border px-2 text-[13.5px] max-md:min-h-11',
                      check[key]
                        ? 'border-rim bg-rim-wash font-bold text-rim-deep'
                        : 'border-line bg-white',
                    )}
                  >
                    {check[key] ? (
                      <Check size={15} aria-hidden="true" />
                    ) : (
                      <span
                        aria-hidden="true"
                        className="size-[13px] rounded-[3px] border border-ink"
                      />
                    )}{' '}
                    {label}
                  </button>
                ))}
              </span>
              {container && (
                <Correct
                  container={container}
                  measureUnit={measureUnit}
                  onCorrect={async (typed) => {
                    const result = await mutate(async () => {
                      const corrected = await onCorrect(container.id, typed);
                      if (corrected.ok && corrected.words)
                        showNotice({ kind: 'done', words: corrected.words });
                      return corrected;
                    });
                    setTicked({});
                    return result.ok;
                  }}
                />
              )}
            </li>
          );
        })}
      </ol>
    </>
  );
}

function Correct({
  container,
  measureUnit,
  onCorrect,
}: {
  readonly container: FitRequest['containers'][number];
  readonly measureUnit: LengthUnit;
  readonly onCorrect: (typed: { width: string; depth: string; height: string }) => Promise<boolean>;
}) {
  const [isOpen, setIsOpen] = useState(false);
  const [size, setSize] = useState(() => ({
    width: formatLength(container.outer.width, measureUnit),
    depth: formatLength(container.outer.depth, measureUnit),
    height: formatLength(container.outer.height, measureUnit),
  }));
  if (!isOpen)
    return (
      <Button look="quiet" className="no-print" onClick={() => setIsOpen(true)}>
        Correct its size
      </Button>
    );
  return (
    <form
      className="no-print flex basis-full flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void onCorrect(size).then((isDone) => setIsOpen(!isDone));
      }}
    >
      {(['width', 'depth', 'height'] as const).map((side) => (
        <TextField
          key={side}
          label={`Measured ${side}`}
          isLength
          className="w-[110px]"
          value={size[side]}
          onChange={(event) => setSize({ ...size, [side]: event.target.value })}
        />
      ))}
      <Button type="submit" look="main">
        Note the real size
      </Button>
    </form>
  );
}
