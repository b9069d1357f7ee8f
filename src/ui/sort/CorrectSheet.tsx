'use client';

import { useState } from 'react';

import {
  type Thing,
  type Verdict,
  type VerdictTraits,
  traitsOf,
  verdicts,
  wayOutOf,
  waysOut,
} from '@/core/sort';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { verdictWords, wayOutWords } from './sortWords';
import { SplitPanel } from './SplitPanel';
import type { Bench } from './useBench';
import { PrivatePicture } from '../primitives/PrivatePicture';

interface CorrectSheetProps {
  readonly bench: Bench;
  readonly thing: Thing;
  readonly roomNames: readonly string[];
  readonly onDone: () => void;
}

/** Decides a thing anew, splits it, or puts another pile into it; what was said before stays in the log. */
export function CorrectSheet({ bench, thing, roomNames, onDone }: CorrectSheetProps) {
  const [typed, setTyped] = useState({
    name: thing.name,
    count: String(thing.count),
    verdict: thing.verdict as Verdict,
    to: traitsOf(thing.verdict).asks === 'way_out' ? (wayOutOf(thing.to) ?? '') : thing.to,
    groupId: thing.groupId ?? '',
    expiresOn: thing.expiresOn ?? '',
  });
  const [isSplitting, setIsSplitting] = useState(false);
  const count = Number(typed.count);
  const isSound =
    Number.isInteger(count) && count >= 1 && count <= 10_000 && typed.name.trim() !== '';
  const others = bench.recent.filter(({ id }) => id !== thing.id);
  const correct = () => {
    bench.correct(thing, {
      name: typed.name.trim(),
      count,
      verdict: typed.verdict,
      to: typed.to.trim(),
      groupId: bench.roomGroups.find(({ id }) => id === typed.groupId)?.id ?? null,
      expiresOn: typed.expiresOn === '' ? undefined : typed.expiresOn,
    });
    onDone();
  };
  const { asks } = traitsOf(typed.verdict);
  const destinations = destinationChoices(asks, roomNames);
  return (
    <Sheet isOpen onOpenChange={onDone} title="Decide it anew">
      {isSplitting ? (
        <SplitPanel
          name={thing.name}
          count={thing.count}
          onSplit={(parts) => {
            bench.splitThing(thing, parts);
            onDone();
          }}
          onBack={() => setIsSplitting(false)}
        />
      ) : (
        <form
          className="grid gap-3 sm:grid-cols-4"
          onSubmit={(event) => {
            event.preventDefault();
            if (isSound) correct();
          }}
        >
          <TextField
            label="Thing"
            className="sm:col-span-3"
            value={typed.name}
            maxLength={120}
            onChange={(event) => setTyped({ ...typed, name: event.target.value })}
          />
          <TextField
            label="Pieces"
            measure
            inputMode="numeric"
            value={typed.count}
            error={Number.isInteger(count) && count >= 1 ? undefined : 'A whole number'}
            onChange={(event) => setTyped({ ...typed, count: event.target.value })}
          />
          <SelectField
            label="Verdict"
            className="sm:col-span-2"
            value={typed.verdict}
            onChange={(event) =>
              setTyped({
                ...typed,
                verdict: verdicts.find((each) => each === event.target.value) ?? 'keep',
                to: '',
              })
            }
          >
            {verdicts.map((verdict) => (
              <option key={verdict} value={verdict}>
                {verdictWords[verdict]}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="Group"
            className="sm:col-span-2"
            value={typed.groupId}
            onChange={(event) => setTyped({ ...typed, groupId: event.target.value })}
          >
            <option value="">no group</option>
            {bench.roomGroups.map((group) => (
              <option key={group.id} value={group.id}>
                {group.name}
              </option>
            ))}
          </SelectField>
          {(asks === 'person' || destinations.length > 0) && (
            <div className="sm:col-span-4">
              {asks === 'person' ? (
                <TextField
                  label="To whom"
                  value={typed.to}
                  maxLength={80}
                  onChange={(event) => setTyped({ ...typed, to: event.target.value })}
                />
              ) : (
                <SelectField
                  label="Where it goes"
                  value={typed.to}
                  onChange={(event) => setTyped({ ...typed, to: event.target.value })}
                >
                  <option value="">{asks === 'room' ? 'no home yet' : 'not said'}</option>
                  {destinations.map(({ to, label }) => (
                    <option key={to} value={to}>
                      {label}
                    </option>
                  ))}
                </SelectField>
              )}
            </div>
          )}
          <TextField
            label="Use by"
            type="date"
            className="sm:col-span-2"
            value={typed.expiresOn}
            onChange={(event) => setTyped({ ...typed, expiresOn: event.target.value })}
          />
          {thing.pictureId !== undefined && (
            <PrivatePicture
              pictureId={thing.pictureId}
              size="thumb"
              alt={`Picture of ${thing.name}`}
              className="max-h-36 rounded-[5px] border border-line sm:col-span-2"
            />
          )}
          <div className="flex flex-wrap gap-2 sm:col-span-4">
            <Button type="submit" look="main" disabled={!isSound}>
              Keep this decision
            </Button>
            {thing.count > 1 && <Button onClick={() => setIsSplitting(true)}>Split it</Button>}
          </div>
          {others.length > 0 && (
            <div className="sm:col-span-4">
              <SelectField
                label="Or put it into another pile, counted with it there"
                value=""
                onChange={(event) => {
                  const into = others.find(({ id }) => id === event.target.value);
                  if (into) {
                    bench.merge(into, thing);
                    onDone();
                  }
                }}
              >
                <option value="">choose a pile</option>
                {others.map((other) => (
                  <option key={other.id} value={other.id}>
                    {other.count} {other.name}, {verdictWords[other.verdict].toLowerCase()}
                  </option>
                ))}
              </SelectField>
            </div>
          )}
        </form>
      )}
    </Sheet>
  );
}

/** What can be chosen where a verdict asks for a room or a way out. */
function destinationChoices(
  asks: VerdictTraits['asks'],
  roomNames: readonly string[],
): readonly { readonly to: string; readonly label: string }[] {
  if (asks === 'room') return roomNames.map((name) => ({ to: name, label: name }));
  if (asks === 'way_out') return waysOut.map((way) => ({ to: way, label: wayOutWords[way] }));
  return [];
}
