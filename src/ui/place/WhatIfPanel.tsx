'use client';

import { useEffect, useRef, useState } from 'react';

import { applyWhatIf, type WhatIf, type ZonesAnswer, type ZonesRequest } from '@/core/place';
import { formatLength, type LengthUnit } from '@/core/shared';
import type { Group } from '@/core/sort';
import { SelectField } from '../primitives/Field';
import { minutesWords, zonesReasonWords } from './placeWords';
import { useZones } from './useZones';

/** A shelf between two places of one column. */
interface MovableShelf {
  readonly bayId: string;
  readonly belowBayId: string;
  readonly name: string;
  readonly heightMm: number;
  readonly belowHeightMm: number;
}

interface WhatIfPanelProps {
  readonly request: ZonesRequest;
  readonly groups: readonly Group[];
  readonly bayNames: Readonly<Record<string, string>>;
  readonly personNames: Readonly<Record<string, string>>;
  readonly shelves: readonly MovableShelf[];
  readonly measureUnit: LengthUnit;
}

/** So long each question is worked at; it is asked anew with every move of a slider. */
const WHAT_IF_MS = 900;
/** Wait for the hand to rest before asking. */
const REST_MS = 220;

/**
 * What is asked: a place that is lost, a shelf that moves by so much, a person of another height;
 * empty where it stays as it is.
 */
interface Asked {
  readonly lostBayId: string;
  readonly shelfId: string;
  readonly byMm: number;
  readonly personId: string;
  readonly heightMm: number;
}
const NOTHING: Asked = { lostBayId: '', shelfId: '', byMm: 0, personId: '', heightMm: 0 };

function toChanges(
  { lostBayId, shelfId, byMm, personId, heightMm }: Asked,
  { request, shelves }: Pick<WhatIfPanelProps, 'request' | 'shelves'>,
): WhatIf[] {
  const shelf = shelves.find(({ bayId }) => bayId === shelfId);
  const person = request.people.find(({ id }) => id === personId);
  return [
    ...(lostBayId === '' ? [] : [{ kind: 'bay_lost' as const, bayId: lostBayId }]),
    ...(shelf && byMm !== 0
      ? [
          {
            kind: 'shelf_moved' as const,
            bayId: shelf.bayId,
            belowBayId: shelf.belowBayId,
            byMm,
            heightMm: shelf.heightMm,
            belowHeightMm: shelf.belowHeightMm,
          },
        ]
      : []),
    ...(person && heightMm > 0 && heightMm !== person.heightMm
      ? [{ kind: 'person_height' as const, personId, heightMm }]
      : []),
  ];
}

/**
 * A shelf moved, a place lost, another height: what the best arrangement would then take, at once.
 * Nothing is changed by it.
 */
export function WhatIfPanel({
  request,
  groups,
  bayNames,
  personNames,
  shelves,
  measureUnit,
}: WhatIfPanelProps) {
  const [isOpen, setIsOpen] = useState(false);
  const [asked, setAsked] = useState(NOTHING);
  /** What the arrangement without changes was worked out for. */
  const [base, setBase] = useState<ZonesRequest>();
  const asIs = useZones();
  const changed = useZones();
  const restRef = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(restRef.current), []);
  const { lostBayId, shelfId, byMm, personId, heightMm } = asked;
  const shelf = shelves.find(({ bayId }) => bayId === shelfId);
  const person = request.people.find(({ id }) => id === personId);
  const changes = toChanges(asked, { request, shelves });
  const workOutAsIs = () => {
    setBase(request);
    asIs.start({ ...request, timeLimitMs: WHAT_IF_MS });
  };
  const toggle = () => {
    setIsOpen(!isOpen);
    setAsked(NOTHING);
    changed.clear();
    if (isOpen) asIs.clear();
    else workOutAsIs();
  };
  const ask = (part: Partial<Asked>) => {
    const next = { ...asked, ...part };
    setAsked(next);
    clearTimeout(restRef.current);
    // Something was placed or changed since.
    if (base !== request) workOutAsIs();
    restRef.current = setTimeout(() => {
      const list = toChanges(next, { request, shelves });
      if (list.length > 0)
        changed.start({ ...applyWhatIf(request, list), timeLimitMs: WHAT_IF_MS });
      else changed.clear();
    }, REST_MS);
  };
  const now = asIs.run.answer?.objective ?? null;
  const answer = changed.run.answer;
  const moves =
    answer && asIs.run.answer
      ? answer.assignment.filter(
          ({ groupId, bayId }) =>
            asIs.run.answer?.assignment.find((line) => line.groupId === groupId)?.bayId !== bayId,
        )
      : [];
  const nameOf = (id: string) => groups.find((group) => group.id === id)?.name ?? '';
  return (
    <section aria-label="What if" className="panel mt-3 p-4">
      <button
        type="button"
        aria-expanded={isOpen}
        onClick={toggle}
        className="flex min-h-9 w-full items-center justify-between text-left max-md:min-h-12"
      >
        <h2 className="text-[17px]">What if</h2>
        <span className="text-[14px] text-soft">
          {isOpen ? 'close' : 'a shelf moved, a place lost, another height'}
        </span>
      </button>
      {isOpen && (
        <>
          <div className="mt-2 grid gap-3 sm:grid-cols-3">
            <SelectField
              label="A place is lost"
              value={lostBayId}
              onChange={(event) => ask({ lostBayId: event.target.value })}
            >
              <option value="">none</option>
              {request.bays.map(({ id }) => (
                <option key={id} value={id}>
                  {bayNames[id] ?? id}
                </option>
              ))}
            </SelectField>
            <div>
              <SelectField
                label="A shelf moves"
                value={shelfId}
                onChange={(event) => ask({ shelfId: event.target.value, byMm: 0 })}
              >
                <option value="">none</option>
                {shelves.map(({ bayId, name }) => (
                  <option key={bayId} value={bayId}>
                    {name}
                  </option>
                ))}
              </SelectField>
              {shelf && (
                <label className="mt-1 block text-[14px]">
                  <span className="measure">
                    {byMm === 0
                      ? 'where it is'
                      : `${formatLength(Math.abs(byMm), measureUnit)} ${byMm > 0 ? 'up' : 'down'}`}
                  </span>
                  <input
                    type="range"
                    aria-label="By how much"
                    className="w-full accent-[#23407a]"
                    min={-Math.floor(shelf.belowHeightMm * 0.08) * 10}
                    max={Math.floor(shelf.heightMm * 0.08) * 10}
                    step={10}
                    value={byMm}
                    onChange={(event) => ask({ byMm: Number(event.target.value) })}
                  />
                </label>
              )}
            </div>
            <div>
              <SelectField
                label="Somebody is taller or smaller"
                value={personId}
                onChange={(event) =>
                  ask({
                    personId: event.target.value,
                    heightMm:
                      request.people.find(({ id }) => id === event.target.value)?.heightMm ?? 0,
                  })
                }
              >
                <option value="">nobody</option>
                {request.people.map(({ id }) => (
                  <option key={id} value={id}>
                    {personNames[id] ?? id}
                  </option>
                ))}
              </SelectField>
              {person && (
                <label className="mt-1 block text-[14px]">
                  <span className="measure">{formatLength(heightMm, measureUnit)}</span>
                  <input
                    type="range"
                    aria-label="How tall"
                    className="w-full accent-[#23407a]"
                    min={900}
                    max={2050}
                    step={10}
                    value={heightMm}
                    onChange={(event) => ask({ heightMm: Number(event.target.value) })}
                  />
                </label>
              )}
            </div>
          </div>
          <Outcome
            hasChanges={changes.length > 0}
            now={now}
            answer={answer}
            moves={moves}
            bayNames={bayNames}
            nameOf={nameOf}
            measureUnit={measureUnit}
          />
        </>
      )}
    </section>
  );
}

interface OutcomeProps {
  readonly hasChanges: boolean;
  /** Seconds a week as it is. */
  readonly now: number | null;
  readonly answer: ZonesAnswer | undefined;
  readonly moves: ZonesAnswer['assignment'];
  readonly bayNames: Readonly<Record<string, string>>;
  readonly nameOf: (groupId: string) => string;
  readonly measureUnit: LengthUnit;
}

/** What the best arrangement would take, and what would stand elsewhere. */
function Outcome({ hasChanges, now, answer, moves, bayNames, nameOf, measureUnit }: OutcomeProps) {
  return (
    <div role="status" className="mt-2 min-h-12 text-[15px]">
      {!hasChanges && now !== null && (
        <p>
          As it is, the best arrangement takes <b className="font-mono">{minutesWords(now)}</b> a
          week.
        </p>
      )}
      {hasChanges &&
        answer?.objective === null &&
        answer.reasons.map((reason) => (
          <p key={`${reason.code} ${reason.subject}`} className="warn mt-1">
            {zonesReasonWords(reason, {
              bay: (id) => bayNames[id] ?? id,
              group: nameOf,
              unit: measureUnit,
            })}
          </p>
        ))}
      {hasChanges && answer && answer.objective !== null && now !== null && (
        <>
          <p>
            Then the best arrangement takes{' '}
            <b className="font-mono">{minutesWords(answer.objective)}</b> a week,{' '}
            {differenceWords(answer.objective - now)}.
          </p>
          {moves.length > 0 && (
            <p className="text-[14px] text-soft">
              Elsewhere than without it:{' '}
              {moves
                .slice(0, 6)
                .map(({ groupId, bayId }) => `${nameOf(groupId)} on ${bayNames[bayId] ?? ''}`)
                .join(', ')}
              {moves.length > 6 ? ` and ${moves.length - 6} more` : ''}.
            </p>
          )}
        </>
      )}
    </div>
  );
}

const differenceWords = (seconds: number): string =>
  Math.abs(seconds) < 1
    ? 'as without it'
    : `${minutesWords(Math.abs(seconds))} ${seconds > 0 ? 'more' : 'less'} than without it`;
