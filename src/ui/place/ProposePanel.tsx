'use client';

import { Compass } from 'lucide-react';
import { useState } from 'react';

import {
  isWorthMoving,
  leaveRoom,
  placeOfRow,
  setAside,
  splitIntoRows,
  type BackShares,
  type PinPrice,
  type ZonesAnswer,
  type ZonesReason,
  type ZonesRequest,
  type ZoneWhy,
} from '@/core/place';
import type { LengthUnit } from '@/core/shared';
import type { Group } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useKeys } from '../primitives/useKeys';
import { FillField, useFillPercent } from './FillField';
import { foundIn, useProposal } from './ProposalScene';
import {
  gapWords,
  minutesWords as minutes,
  sayBay,
  whyWords,
  zonesReasonWords,
} from './placeWords';
import { useMutation } from '../useMutation';

interface ProposePanelProps {
  readonly request: ZonesRequest;
  readonly groups: readonly Group[];
  readonly bayNames: Readonly<Record<string, string>>;
  /** Of the places that have a back row: how much of them it is. */
  readonly backShares: BackShares;
  /** What the schools change in the sums, and what is assumed, a sentence each. */
  readonly notes: readonly string[];
  /** Minutes a week as it is arranged now; undefined while a group has no home. */
  readonly minutesNow: number | undefined;
  readonly measureUnit: LengthUnit;
  readonly onTake: (
    assignment: readonly { readonly groupId: string; readonly bayId: string }[],
  ) => Promise<ActionResult>;
}

/**
 * Works out where everything should live, tells how far from the best possible it is, and what
 * would move.
 */
export function ProposePanel({
  request,
  groups,
  bayNames,
  backShares,
  notes,
  minutesNow,
  measureUnit,
  onTake,
}: ProposePanelProps) {
  const { mutate } = useMutation();
  const proposal = useProposal();
  const { run, start, stop, clear } = proposal;
  const fill = useFillPercent();
  const [aside, setAsideReasons] = useState<readonly ZonesReason[]>([]);
  const propose = () => {
    // What can stand nowhere stays where it is, and the rest is placed around it.
    const places = Object.fromEntries(groups.map(({ id, bayId }) => [id, bayId]));
    const asked = setAside(request, places);
    setAsideReasons(asked.reasons);
    const inRows = (each: ZonesRequest) => splitIntoRows(each, { backShares, places });
    const { percent } = fill;
    if (percent === undefined) return;
    if (percent === 100) start(inRows(asked.request));
    else start(inRows(leaveRoom(asked.request, percent)), inRows(asked.request));
  };
  useKeys({ p: propose });
  const found = foundIn(proposal);
  const moves = found
    ? found.assignment.filter(
        ({ groupId, bayId }) =>
          groups.find(({ id }) => id === groupId)?.bayId !== placeOfRow(bayId),
      )
    : [];
  const nameOf = (groupId: string) => groups.find(({ id }) => id === groupId)?.name ?? '';
  const say = (reason: ZonesReason) =>
    zonesReasonWords(reason, {
      bay: (id) => sayBay(bayNames, id),
      group: nameOf,
      unit: measureUnit,
    });
  const take = async () => {
    if (!found) return;
    const result = await mutate(() =>
      onTake(found.assignment.map(({ groupId, bayId }) => ({ groupId, bayId: placeOfRow(bayId) }))),
    );
    if (result.ok) clear();
  };
  return (
    <section aria-label="A proposal" className="panel mt-3 p-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="flex items-center gap-2 text-[17px]">
          <Compass size={18} className="text-rim" aria-hidden="true" /> Where it would take the
          fewest steps
        </h2>
        {run.isRunning ? (
          <Button onClick={stop}>Stop, keep the best so far</Button>
        ) : (
          <Button look="quiet" onClick={propose}>
            {found ? 'Work it out again' : 'Propose'} <kbd className="max-md:hidden">P</kbd>
          </Button>
        )}
      </div>
      {!found && !run.isRunning && run.answer === undefined && (
        <p className="mt-1 text-[14px] text-soft">
          Weighs steps to where a thing is used, bends and stretches by who uses it, against room
          and load; what is pinned stays. Nothing moves until you take it.
        </p>
      )}
      <FillField fill={fill} />
      {run.isOther && (
        <p role="alert" className="warn mt-2">
          Filled to {fill.typed} % at most there is no arrangement: this one fills places to the
          brim, without room for walls of containers, gaps and hands.
        </p>
      )}
      {notes.length > 0 && <p className="mt-1 text-[14px]">{notes.join(' ')}</p>}
      {run.isRunning && (
        <progress className="mt-2 block h-1.5 w-full" aria-label="Working it out" />
      )}
      {run.problem !== '' && (
        <p role="alert" className="warn mt-2">
          {run.problem}
        </p>
      )}
      {(run.isRunning || run.answer || found) &&
        aside.map((reason) => (
          <p key={reason.subject} role="alert" className="warn mt-2">
            {say(reason)} It stays where it is.
          </p>
        ))}
      {run.answer?.reasons.map((reason) => (
        <p key={`${reason.code} ${reason.subject}`} role="alert" className="warn mt-2">
          {say(reason)}
        </p>
      ))}
      {found && (
        <Proposal
          found={found}
          moves={moves}
          minutesNow={minutesNow}
          pinPrices={run.pinPrices}
          isRunning={run.isRunning}
          whyOf={(groupId) => run.answer?.why.find((why) => why.groupId === groupId)}
          bayNames={bayNames}
          nameOf={nameOf}
          onTake={() => void take()}
          onLeave={clear}
        />
      )}
    </section>
  );
}

interface ProposalProps {
  readonly found: Pick<ZonesAnswer, 'objective' | 'bound'>;
  readonly moves: ZonesAnswer['assignment'];
  readonly minutesNow: number | undefined;
  readonly pinPrices: readonly PinPrice[];
  readonly isRunning: boolean;
  readonly whyOf: (groupId: string) => ZoneWhy | undefined;
  readonly bayNames: Readonly<Record<string, string>>;
  readonly nameOf: (groupId: string) => string;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** What it would take, what would move and why, and what the pins cost. */
function Proposal({
  found,
  moves,
  minutesNow,
  pinPrices,
  isRunning,
  whyOf,
  bayNames,
  nameOf,
  onTake,
  onLeave,
}: ProposalProps) {
  return (
    <>
      <p role="status" className="mt-2 text-[15px]">
        <b className="font-mono text-[18px]">{minutes(found.objective ?? 0)}</b> a week
        {minutesNow !== undefined && (
          <>
            , <span className="font-mono">{minutes(minutesNow * 60)}</span> as it is now
          </>
        )}
        ; {gapWords(found.objective ?? 0, found.bound ?? 0)}.
      </p>
      {minutesNow !== undefined &&
        moves.length > 0 &&
        !isWorthMoving(minutesNow * 60 - (found.objective ?? 0)) && (
          <p className="mt-1 text-[14.5px]">
            <b>No difference worth moving for:</b> less than a minute a week. What is out of reach,
            overfull or apart from its partner is told below the drawing, and counts for more.
          </p>
        )}
      {moves.length === 0 ? (
        <p className="mt-1 text-[14.5px]">Everything stands there already.</p>
      ) : (
        <ul aria-label="What would move" className="mt-1.5 grid gap-x-6 sm:grid-cols-2">
          {moves.map(({ groupId, bayId }) => {
            const why = whyOf(groupId);
            return (
              <li key={groupId} className="border-t border-line py-1.5 text-[14.5px]">
                <b>{nameOf(groupId)}</b> to {sayBay(bayNames, bayId)}
                {why && (
                  <span className="block text-[13.5px] text-soft">
                    {whyWords(why, { bayNames, groupName: nameOf })}
                  </span>
                )}
              </li>
            );
          })}
        </ul>
      )}
      {pinPrices.length > 0 && (
        <ul aria-label="What pins cost" className="mt-2 text-[14px]">
          {pinPrices.map(({ groupId, bayId, secondsPerWeek, isProven }) => (
            <li key={groupId}>
              Keeping <b>{nameOf(groupId)}</b> on {sayBay(bayNames, bayId)}{' '}
              {!isWorthMoving(secondsPerWeek)
                ? 'makes no difference worth moving for.'
                : `costs ${isProven ? '' : 'at least '}${minutes(secondsPerWeek)} a week.`}
            </li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button look="main" disabled={isRunning || moves.length === 0} onClick={onTake}>
          Take this arrangement
        </Button>
        <Button disabled={isRunning} onClick={onLeave}>
          Leave it
        </Button>
      </div>
    </>
  );
}
