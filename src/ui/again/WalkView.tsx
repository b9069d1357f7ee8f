'use client';

import { formatDate } from '@/core/shared';
import { useEffect, useRef, useState } from 'react';

import { walkMarks, type Look, type WalkLine, type WalkMark } from '@/core/again';
import { walkWith } from '@/core/field';
import type { Unit } from '@/core/look';
import type { BayId, RoomId } from '@/core/shared';
import type { Group } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { Button } from '../primitives/Button';
import { choiceLook } from '../primitives/choiceLook';
import { useMutation } from '../useMutation';
import { longDay, lookWords, walkMarkWords } from './againWords';

type At = Pick<Look, 'roomId' | 'kind' | 'plannedOn'>;
interface WalkViewProps {
  readonly roomId: RoomId;
  readonly look: Look;
  readonly note: string;
  readonly units: readonly Unit[];
  readonly lines: readonly WalkLine[];
  /** Of the whole home: what lies here may belong anywhere. */
  readonly groups: readonly (Pick<Group, 'id' | 'name' | 'bayId'> & {
    readonly roomName: string;
  })[];
  readonly onGroup: (stray: { name: string; bayId: string }) => Promise<ActionResult<string>>;
}

const emptyLine = (bayId: BayId): WalkLine => ({
  bayId,
  marks: [],
  litresFound: null,
  strays: [],
  ranOut: '',
});

/** Place by place, by thumb: how each was found, what lay there that does not live there. */
export function WalkView(props: WalkViewProps) {
  const { units } = props;
  const { act, isPending } = useFieldAct();
  const at: At = {
    roomId: props.look.roomId,
    kind: props.look.kind,
    plannedOn: props.look.plannedOn,
  };
  const { look, lines } = walkWith(props, useWaitingCommands());
  const [note, setNote] = useState(props.note);
  const places = units.flatMap((unit) =>
    unit.bays.filter(({ outOfScope }) => !outOfScope).map((bay) => ({ unit, bay })),
  );
  const seen = places.filter(({ bay }) => lines.some(({ bayId }) => bayId === bay.id)).length;
  return (
    <div className="grid gap-4">
      <div>
        <h1 className="text-[24px]">The walk</h1>
        <p className="text-[14.5px]" role="status">
          {lookWords(look)}, {longDay(look.dueOn)}. {seen} of {places.length} places looked at
          {look.doneOn === null ? '.' : `; made on ${longDay(look.doneOn)}.`}
        </p>
      </div>
      {places.length === 0 && (
        <p className="panel p-4">
          No unit was measured in this room, so there is no place to look at.
        </p>
      )}
      {units.map((unit) => (
        <section key={unit.id} aria-label={unit.name} className="panel p-4">
          <h2 className="text-[18px]">{unit.name}</h2>
          <ul className="divide-y divide-line">
            {unit.bays
              .filter(({ outOfScope }) => !outOfScope)
              .map((bay) => (
                <BayLine
                  key={bay.id}
                  {...props}
                  at={at}
                  name={bay.name}
                  line={lines.find(({ bayId }) => bayId === bay.id) ?? emptyLine(bay.id)}
                />
              ))}
          </ul>
        </section>
      ))}
      <section aria-label="The end of the walk" className="panel p-4">
        <label className="text-[14px]">
          What else there is to say
          <textarea
            className="input mt-1 min-h-16"
            maxLength={600}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </label>
        <Button
          look="main"
          className="mt-2"
          disabled={isPending}
          onClick={() =>
            void act({
              kind: 'look_made',
              look: at,
              note,
              doneOn: look.doneOn === null ? formatDate(new Date(), 'yyyy-MM-dd') : null,
            })
          }
        >
          {look.doneOn === null ? 'The look is made' : 'Open it again'}
        </Button>
      </section>
    </div>
  );
}

function BayLine({
  at,
  name,
  line,
  groups,
  onGroup,
}: WalkViewProps & { readonly at: At; readonly name: string; readonly line: WalkLine }) {
  const { mutate, isPending } = useMutation();
  const { act } = useFieldAct();
  const [litres, setLitres] = useState(line.litresFound === null ? '' : String(line.litresFound));
  const [ranOut, setRanOut] = useState(line.ranOut);
  const [stray, setStray] = useState('');
  // What is on its way counts: two fields that are left one after the other must both be kept. The page that an
  // answer brings may come later than the answer, so it is what was noted here that the next note goes on from.
  const latest = useRef(line);
  const onItsWay = useRef(0);
  const known = JSON.stringify(line);
  useEffect(() => {
    if (onItsWay.current === 0) latest.current = JSON.parse(known) as WalkLine;
  }, [known]);
  const note = (change: Partial<WalkLine>) => {
    const next = { ...latest.current, ...change };
    latest.current = next;
    onItsWay.current += 1;
    void act({ kind: 'walk_line', look: at, line: next }).finally(() => (onItsWay.current -= 1));
  };
  const toggle = (mark: WalkMark) => {
    const has = line.marks.includes(mark);
    // As meant is the whole answer; anything else takes it back.
    const kept = line.marks.filter((each) => each !== mark && each !== 'as_meant');
    if (has) return note({ marks: line.marks.filter((each) => each !== mark) });
    return note({ marks: mark === 'as_meant' ? ['as_meant'] : [...kept, mark] });
  };
  const wantsLitres = line.marks.includes('overfull') || line.marks.includes('half_empty');
  const addStray = () => {
    const typed = stray.trim();
    if (typed === '') return;
    const group = groups.find((each) => each.name.toLowerCase() === typed.toLowerCase());
    setStray('');
    note({
      marks: [
        ...line.marks.filter((each) => each !== 'as_meant' && each !== 'something_else'),
        'something_else',
      ],
      strays: [...line.strays, { name: typed, groupId: group?.id ?? null, isBack: false }],
    });
  };
  const changeStray = (index: number, change: Partial<WalkLine['strays'][number]>) =>
    note({ strays: line.strays.map((each, i) => (i === index ? { ...each, ...change } : each)) });
  const listId = `groups-${line.bayId}`;
  return (
    <li className="py-3">
      <b>{name}</b>
      <div
        role="group"
        aria-label={`How ${name} was found`}
        className="mt-1.5 flex flex-wrap gap-1.5"
      >
        {walkMarks.map((mark) => (
          <button
            key={mark}
            type="button"
            aria-pressed={line.marks.includes(mark)}
            disabled={isPending}
            className={choiceLook(line.marks.includes(mark))}
            onClick={() => toggle(mark)}
          >
            {walkMarkWords[mark]}
          </button>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-2">
        {wantsLitres && (
          <label className="text-[13.5px]">
            About how many litres
            <input
              className="input w-28"
              inputMode="decimal"
              value={litres}
              onChange={(event) => setLitres(event.target.value)}
              onBlur={() => {
                const typed = readLitres(litres);
                if (typed !== latest.current.litresFound) note({ litresFound: typed });
              }}
            />
          </label>
        )}
        {line.marks.length > 0 && !line.marks.includes('as_meant') && (
          <>
            <label className="min-w-[180px] flex-1 text-[13.5px]">
              What lies here and does not live here
              <input
                className="input"
                list={listId}
                maxLength={120}
                value={stray}
                onChange={(event) => setStray(event.target.value)}
                onKeyDown={(event) => {
                  if (event.key === 'Enter') addStray();
                }}
              />
            </label>
            <datalist id={listId}>
              {groups.map((group) => (
                <option key={group.id} value={group.name}>
                  {group.roomName}
                </option>
              ))}
            </datalist>
            <Button disabled={isPending || stray.trim() === ''} onClick={addStray}>
              Note it
            </Button>
            <label className="min-w-[180px] flex-1 text-[13.5px]">
              What ran out, or is out of date
              <input
                className="input"
                maxLength={300}
                value={ranOut}
                onChange={(event) => setRanOut(event.target.value)}
                onBlur={() => ranOut.trim() !== line.ranOut && note({ ranOut: ranOut.trim() })}
              />
            </label>
          </>
        )}
      </div>
      {line.strays.length > 0 && (
        <ul className="mt-2 grid gap-1.5">
          {line.strays.map((each, i) => (
            <li
              key={`${each.name} ${i}`}
              className="flex flex-wrap items-center gap-2 text-[14.5px]"
            >
              <span className={each.isBack ? 'text-soft line-through' : ''}>{each.name}</span>
              <span className="text-soft">{belongsWords(each.groupId, groups)}</span>
              {!each.isBack && (
                <Button disabled={isPending} onClick={() => changeStray(i, { isBack: true })}>
                  It is back
                </Button>
              )}
              {each.groupId === null && !each.isBack && (
                <Button
                  disabled={isPending}
                  onClick={() =>
                    void mutate(() => onGroup({ name: each.name, bayId: line.bayId })).then(
                      (made) =>
                        made.ok &&
                        changeStray(i, { groupId: made.value as Group['id'], isBack: true }),
                    )
                  }
                >
                  It lives here now
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

/** Litres as typed, with point or comma; null where they cannot be read. */
function readLitres(typed: string): number | null {
  const litres = Number(typed.replace(',', '.'));
  return typed.trim() === '' || !Number.isFinite(litres) || litres < 0 ? null : litres;
}

function belongsWords(groupId: string | null, groups: WalkViewProps['groups']): string {
  const group = groups.find(({ id }) => id === groupId);
  return group ? `belongs in the ${group.roomName.toLowerCase()}` : 'belongs to no group';
}
