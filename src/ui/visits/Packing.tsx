'use client';

import { useState, type ReactNode } from 'react';

import { visitStateOf, type BringLine, type Visit } from '@/core/visits';
import { Checkbox } from '../primitives/Checkbox';
import type { ActionResult } from '../actionResult';
import { useFieldAct } from '../field/useFieldAct';
import { bringWords } from './visitWords';

interface PackingProps {
  readonly visit: Visit;
  readonly bring: readonly BringLine[];
  readonly isOpen: boolean;
}

/** What to bring, ticked before one leaves; while one is there, what of it goes home again. */
export function Packing({ visit, bring, isOpen }: PackingProps) {
  const { act } = useFieldAct();
  const isBack = visitStateOf(visit) !== 'planned';
  const lines = isBack ? bring.filter(({ code }) => visit.packed.includes(code)) : bring;
  const ticked = isBack ? visit.packedBack : visit.packed;
  if (lines.length === 0) return null;
  const left = lines.filter(({ code }) => !ticked.includes(code)).length;
  return (
    <details open={isOpen} className="mt-1.5">
      <summary className="min-h-9 content-center text-[14px] text-rim max-md:min-h-12">
        {isBack ? 'Before you go: left behind' : 'What to bring'}, {left} of {lines.length}
        {isBack ? ' not packed' : ' to pack'}
      </summary>
      <ul>
        {lines.map((line) => {
          const isTicked = ticked.includes(line.code);
          return (
            <li key={`${line.code} ${isTicked}`}>
              <TickLine
                isTicked={isTicked}
                onTick={() =>
                  act({
                    kind: 'packed',
                    visitId: visit.id,
                    code: line.code,
                    isBack,
                    isPacked: !isTicked,
                  })
                }
              >
                {bringWords(line).what} <span className="text-soft">{bringWords(line).why}</span>
              </TickLine>
            </li>
          );
        })}
      </ul>
    </details>
  );
}

/** Ticked at once; taken back where it was not kept. */
export function TickLine({
  isTicked,
  onTick,
  children,
}: {
  readonly isTicked: boolean;
  readonly onTick: () => Promise<ActionResult>;
  readonly children: ReactNode;
}) {
  const [isOn, setIsOn] = useState(isTicked);
  const tick = async () => {
    setIsOn(!isOn);
    const result = await onTick();
    if (!result.ok) setIsOn(isOn);
  };
  return (
    <label className="flex min-h-9 items-center gap-2 text-[14.5px] max-md:min-h-12">
      <Checkbox checked={isOn} onChange={() => void tick()} />
      <span>{children}</span>
    </label>
  );
}
