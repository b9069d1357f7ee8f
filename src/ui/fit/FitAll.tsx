'use client';

import { useState } from 'react';

import {
  fitAims,
  tidyFit,
  type FitAim,
  type FitContainer,
  type FitQuestion,
  type PlacedFit,
  isWhole,
} from '@/core/fit';
import { formatCount, formatMoney, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField } from '../primitives/Field';
import { aimWords } from './fitWords';
import { useManyFits } from './useManyFits';
import { useMutation } from '../useMutation';

/** Places to be fitted out together, with the containers that all of them may use. */
interface PlacesToFit {
  readonly containers: readonly FitContainer[];
  readonly places: readonly {
    readonly name: string;
    readonly roomName: string;
    readonly question: Omit<FitQuestion, 'containers'>;
    readonly without: readonly string[];
  }[];
}
interface FitAllProps {
  /** Undefined where the whole home is fitted out. */
  readonly room: (PlacesToFit & { readonly roomName: string }) | undefined;
  /** How many places are open in the whole home. */
  readonly homeCount: number;
  readonly currency: Currency;
  readonly onHome: () => Promise<PlacesToFit | undefined>;
  readonly onTake: (prefer: FitAim, fits: readonly PlacedFit[]) => Promise<ActionResult>;
}

/** A second a place, and never more than a minute for all. */
const msFor = (count: number): number => Math.min(60_000, count * 1000);

/**
 * Fits all open places of the room or of the home out in one go: shown as they come, stopped at any
 * time, taken together.
 */
export function FitAll({ room, homeCount, currency, onHome, onTake }: FitAllProps) {
  const { mutate } = useMutation();
  const [prefer, setPrefer] = useState<FitAim>('cost');
  const [reach, setReach] = useState<'room' | 'home'>(
    room && room.places.length > 1 ? 'room' : 'home',
  );
  const [asked, setAsked] = useState<PlacesToFit>();
  const [message, setMessage] = useState('');
  const { found, isRunning, problem, run, end, clear } = useManyFits();
  const start = async () => {
    setMessage('');
    const places = reach === 'room' ? room : await onHome().catch(() => undefined);
    setAsked(places);
    if (!places) return setMessage('The home could not be read. Try again.');
    run(
      places.places.map(({ question, without }) => ({
        ...question,
        prefer,
        containers: places.containers.filter(({ id }) => !without.includes(id)),
      })),
      msFor(places.places.length),
    );
  };
  const whole = found.filter(({ answer }) => isWhole(answer));
  /** As a person would stand them, gaps shared evenly. */
  const tidied = ({ bayId, answer }: PlacedFit): PlacedFit => {
    const place = asked?.places.find(({ question }) => question.bay.id === bayId);
    const request = place && { ...place.question, containers: [...(asked?.containers ?? [])] };
    return { bayId, answer: request ? tidyFit(request, answer, 'spread') : answer };
  };
  const take = async () => {
    const result = await mutate(() => onTake(prefer, whole.map(tidied)), {
      done: 'Taken. What they need is on the shopping list.',
    });
    if (result.ok) clear();
  };
  const count = room && reach === 'room' ? room.places.length : homeCount;
  if (homeCount < 2 && found.length === 0) return null;
  const nameOf = (bayId: string) => {
    const place = asked?.places.find(({ question }) => question.bay.id === bayId);
    if (!place) return bayId;
    return reach === 'home' ? `${place.roomName}, ${place.name}` : place.name;
  };
  return (
    <section aria-label="All open places" className="panel mt-3.5 px-4 py-3">
      <div className="flex flex-wrap items-end gap-2.5">
        <h2 className="mr-auto text-[17px]">All {formatCount(count, 'open place')} in one go</h2>
        {room && (
          <SelectField
            label="Where"
            hideLabel
            className="w-[190px]"
            value={reach}
            disabled={isRunning}
            onChange={(event) => {
              setReach(event.target.value as 'room' | 'home');
              clear();
            }}
          >
            <option value="room">
              {room.roomName}, {room.places.length}
            </option>
            <option value="home">the whole home, {homeCount}</option>
          </SelectField>
        )}
        <SelectField
          label="By"
          hideLabel
          className="w-[170px]"
          value={prefer}
          disabled={isRunning}
          onChange={(event) => setPrefer(event.target.value as FitAim)}
        >
          {fitAims.map((aim) => (
            <option key={aim} value={aim}>
              {aimWords[aim].name}
            </option>
          ))}
        </SelectField>
        {isRunning ? (
          <Button onClick={end}>Stop, keep what is there</Button>
        ) : (
          <Button disabled={count === 0} onClick={() => void start()}>
            Fit them out
          </Button>
        )}
        {whole.length > 0 && !isRunning && (
          <Button look="main" onClick={() => void take()}>
            Take {whole.length === 1 ? 'it' : `these ${whole.length}`}
          </Button>
        )}
      </div>
      {(isRunning || found.length > 0) && (
        <progress
          className="mt-2 h-2.5 w-full"
          value={found.length}
          max={count}
          aria-label="Places fitted out"
        />
      )}
      <ul className="divide-y divide-line text-[14.5px]">
        {found.map(({ bayId, answer }) => (
          <li key={bayId} className="flex justify-between gap-4 py-1">
            <span>
              {nameOf(bayId)}: {formatCount(answer.placements.length, 'container')}
              {!isWhole(answer) && (
                <span className="text-signal-deep">, not everything goes in</span>
              )}
            </span>
            <span className="font-mono">{formatMoney(answer.costMinor, currency)}</span>
          </li>
        ))}
      </ul>
      {found.length > 0 && (
        <p className="mt-1 text-[14.5px]">
          <b className="font-mono">
            {formatMoney(
              whole.reduce((sum, { answer }) => sum + answer.costMinor, 0),
              currency,
            )}
          </b>{' '}
          for {formatCount(whole.length, 'place')}, at the price of one piece each; the shopping
          list weighs packs.
        </p>
      )}
      <p role="status" className="text-[13.5px] text-soft empty:hidden">
        {problem || message}
      </p>
    </section>
  );
}
