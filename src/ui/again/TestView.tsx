'use client';

import { useState } from 'react';

import type { Finding, Mending, PutAwayTest, Score } from '@/core/again';
import { formatCount } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { commandName, WAITS_WORDS } from '../field/fieldWords';
import { useWaitingCommands } from '../field/useFieldAct';
import { Button } from '../primitives/Button';
import { SelectField } from '../primitives/Field';
import { useMutation } from '../useMutation';
import { TestRun, type PersonToAsk, type RoomToSearch } from './TestRun';
import { changeWords, longDay, mendingWords, shareWords } from './againWords';

interface TestViewProps {
  readonly projectId: string;
  readonly rooms: readonly RoomToSearch[];
  readonly people: readonly PersonToAsk[];
  readonly tests: readonly Pick<PutAwayTest, 'id' | 'personName' | 'at' | 'items'>[];
  readonly all: Omit<Score, 'key' | 'name'>;
  readonly byGroup: readonly Score[];
  readonly byPerson: readonly Score[];
  /** By what the label says; the empty name: no label. */
  readonly byLabel: readonly Score[];
  readonly findings: readonly {
    readonly key: string;
    readonly code: Finding['code'];
    readonly words: string;
    readonly mendings: readonly Mending[];
  }[];
  /** Groups in both of two rounds, the older against the newer. */
  readonly compared: readonly {
    readonly groupId: string;
    readonly name: string;
    readonly change: 'better' | 'worse' | 'none';
    readonly words: string;
  }[];
  readonly onRemove: (testId: string) => Promise<ActionResult>;
}

/** Does the system work for who was not there? Ten things, one after the other. */
export function TestView(props: TestViewProps) {
  const { people, tests, all, findings } = props;
  const [chosen, setChosen] = useState(people[0]?.id ?? '');
  const [running, setRunning] = useState<PersonToAsk>();
  const waiting = useWaitingCommands().filter(({ kind }) => kind === 'test');
  const person = people.find(({ id }) => id === chosen);
  if (running)
    return (
      <TestRun
        projectId={props.projectId}
        person={running}
        rooms={props.rooms}
        onEnd={() => setRunning(undefined)}
      />
    );
  return (
    <div className="grid gap-4">
      <section aria-label="A test" className="panel border-t-4 border-t-rim p-4">
        <h1 className="text-[22px]">The put-away test</h1>
        <p className="max-w-[70ch] text-[14.5px]">
          Hand the phone to somebody of the household who was not there. They get up to ten things
          of theirs, one after the other, and tap where each goes. Nobody is tested but the system.
        </p>
        {people.length === 0 ? (
          <p className="mt-2">No household was noted yet.</p>
        ) : (
          <div className="mt-3 flex flex-wrap items-end gap-3">
            <SelectField
              label="Who looks"
              value={chosen}
              onChange={(event) => setChosen(event.target.value)}
            >
              {people.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
            <Button
              look="main"
              disabled={!person || person.items.length === 0}
              onClick={() => setRunning(person)}
            >
              Start: {formatCount(person?.items.length ?? 0, 'thing')}
              {person?.readsPictures ? ', as pictures' : ''}
            </Button>
            {person?.items.length === 0 && (
              <p className="text-[14px] text-soft">No group of theirs has a place yet.</p>
            )}
          </div>
        )}
      </section>
      {waiting.length > 0 && (
        <p className="font-[650] text-signal-deep">
          {waiting.map(commandName).join(', ')}: {WAITS_WORDS}.
        </p>
      )}
      {tests.length > 0 && (
        <section aria-label="How it went" className="panel p-4">
          <h2 className="text-[18px]">How it went</h2>
          <p className="text-[14.5px]" role="status">
            {shareWords(all.first)}
            {all.medianSeconds !== undefined &&
              `, in ${Math.round(all.medianSeconds)} s where it was found`}
            , {formatCount(all.wrongTurns, 'wrong turn')}.
          </p>
          <Scores title="By person" scores={props.byPerson} />
          <Scores title="By group, the hardest first" scores={props.byGroup.slice(0, 12)} />
          <Scores
            title="By label, the hardest first"
            scores={props.byLabel.slice(0, 12).map((score) => ({
              ...score,
              name: score.name === '' ? 'no label' : `“${score.name}”`,
            }))}
          />
        </section>
      )}
      {findings.length > 0 && (
        <section aria-label="What it shows" className="panel p-4">
          <h2 className="text-[18px]">What it shows</h2>
          <ul className="divide-y divide-line">
            {findings.map(({ key, words, mendings }) => (
              <li key={key} className="py-2">
                <b>{words}</b>
                <span className="block text-[14.5px] text-soft">
                  What would mend it: {mendings.map((each) => mendingWords[each]).join('; or ')}.
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {props.compared.length > 0 && (
        <section aria-label="Against the first time" className="panel p-4">
          <h2 className="text-[18px]">Against the first time</h2>
          <ul className="text-[14.5px]">
            {props.compared.map(({ groupId, name, change, words }) => (
              <li key={groupId}>
                <b>{name}</b>: {changeWords[change]} <span className="text-soft">({words})</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Made {...props} />
    </div>
  );
}

function Scores({ title, scores }: { readonly title: string; readonly scores: readonly Score[] }) {
  return (
    <>
      <h3 className="mt-3 text-[15.5px]">{title}</h3>
      <table className="stacks w-full text-[14.5px]">
        <thead>
          <tr className="text-left text-soft">
            <th className="py-1 font-normal">Who or what</th>
            <th className="py-1 font-normal">Found at once</th>
            <th className="py-1 text-right font-normal">Seconds</th>
            <th className="py-1 text-right font-normal">Wrong turns</th>
          </tr>
        </thead>
        <tbody>
          {scores.map(({ key, name, first, medianSeconds, wrongTurns }) => (
            <tr key={key} className="border-t border-line">
              <th scope="row" className="py-1.5 text-left font-[650]">
                {name}
              </th>
              <td data-head="Found at once" className="py-1.5">
                {shareWords(first)}
              </td>
              <td data-head="Seconds" className="py-1.5 text-right font-mono">
                {medianSeconds === undefined ? 'not found' : Math.round(medianSeconds)}
              </td>
              <td data-head="Wrong turns" className="py-1.5 text-right font-mono">
                {wrongTurns}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Made({ tests, onRemove }: Pick<TestViewProps, 'tests' | 'onRemove'>) {
  const { mutate, isPending } = useMutation();
  if (tests.length === 0) return null;
  return (
    <section aria-label="Tests" className="panel p-4">
      <h2 className="text-[18px]">Tests</h2>
      <ul className="divide-y divide-line">
        {tests.map(({ id, personName, at, items }) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-2 py-1.5">
            <span>
              <b>{personName}</b>, {longDay(at.slice(0, 10))}, {formatCount(items.length, 'thing')}
            </span>
            <Button
              disabled={isPending}
              aria-label={`Remove the test of ${personName}`}
              onClick={() => void mutate(() => onRemove(id), { offersUndo: true })}
            >
              Remove
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
