'use client';

import { useRouter } from 'next/navigation';

import {
  isWorthMoving,
  OTHER_ROOM_METRES,
  type ArrangementJudgement,
  type PlaceChange,
} from '@/core/place';
import type { Sketch } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SketchView } from '../look/SketchView';
import { bentWords, minutesWords } from './placeWords';
import type { DraftSlip } from './DraftSlips';
import { useMutation } from '../useMutation';
import { SideScroll } from '../primitives/SideScroll';

export interface CompareSide {
  readonly ref: string;
  readonly judged: ArrangementJudgement | undefined;
  /** Groups that live outside their room. */
  readonly awayIds: readonly string[];
}

interface CompareViewProps {
  readonly slips: readonly DraftSlip[];
  readonly sides: readonly [CompareSide, CompareSide];
  /** By room where something changes: the second arrangement from the front. */
  readonly drawings: readonly { readonly roomName: string; readonly sketch: Sketch }[];
  readonly changes: readonly PlaceChange[];
  /** What is assumed; undefined: what is usual for one room. */
  readonly notes: readonly string[];
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly bayNames: Readonly<Record<string, string>>;
  readonly onChoose: (draftId: string) => Promise<ActionResult>;
}

/**
 * Two arrangements point by point: what they ask in a week, who reaches what, which places are
 * full, which rules bend, and what moves.
 */
export function CompareView({
  slips,
  sides,
  changes,
  notes,
  groups,
  people,
  bayNames,
  onChoose,
  drawings,
}: CompareViewProps) {
  const router = useRouter();
  const { mutate } = useMutation();
  const [a, b] = sides;
  const slipOf = ({ ref }: CompareSide): DraftSlip | undefined =>
    slips.find((slip) => slip.ref === ref);
  const show = (first: string, second: string) => router.push(`?a=${first}&b=${second}`);
  const nameOf = (list: CompareViewProps['groups'], id: string) =>
    list.find((entry) => entry.id === id)?.name ?? '';
  const bayName = (id: string | null) =>
    id === null ? 'the tray' : (bayNames[id] ?? 'another room');
  const choose = async (ref: string) => {
    await mutate(() => onChoose(ref));
  };
  if (!a.judged || !b.judged)
    return (
      <p className="panel p-5 text-[16px]">
        Add the people of the household first: without them nobody walks or reaches.
      </p>
    );
  const rows: readonly (readonly [
    label: string,
    of: (judged: ArrangementJudgement, side: CompareSide) => string | readonly string[],
  ])[] = [
    ['Time a week', (judged) => minutesWords(judged.secondsPerWeek)],
    ['Walked a week', (judged) => `${Math.round(judged.metresPerWeek)} m`],
    ['Bends a week', (judged) => String(Math.round(judged.bendsPerWeek))],
    ['Stretches a week', (judged) => String(Math.round(judged.stretchesPerWeek))],
    ['Needs a step', (judged) => groupReach(judged, groups, people)],
    ['Full places', (judged) => judged.fullBayIds.map(bayName)],
    ['Half empty places', (judged) => judged.halfEmptyBayIds.map(bayName)],
    [
      'Rules bent',
      (judged) =>
        judged.bent.map(
          (rule) =>
            `${nameOf(groups, rule.groupId)} on ${bayName(rule.bayId)}: ${bentWords(rule, groups)}`,
        ),
    ],
    ['Without a place', (judged) => judged.unplacedIds.map((id) => nameOf(groups, id))],
    ['In another room', (_, { awayIds }) => awayIds.map((id) => nameOf(groups, id))],
  ];
  return (
    <>
      <table className="panel w-full table-fixed border-t-4 border-t-rim text-[14.5px]">
        <thead>
          <tr className="align-bottom">
            <td className="w-[150px] p-3 max-md:w-[80px] max-md:px-1.5" />
            {sides.map((side, i) => {
              const slip = slipOf(side);
              return (
                <th key={i} scope="col" className="p-3 text-left font-normal max-md:px-1.5">
                  <select
                    className="input font-[650]"
                    aria-label={i === 0 ? 'First arrangement' : 'Second arrangement'}
                    value={
                      side.ref === 'chosen'
                        ? (slips.find(({ isChosen }) => isChosen)?.ref ?? '')
                        : side.ref
                    }
                    onChange={(event) =>
                      i === 0 ? show(event.target.value, b.ref) : show(a.ref, event.target.value)
                    }
                  >
                    {slips.map(({ ref, name, isChosen }) => (
                      <option key={ref} value={ref}>
                        {name}
                        {isChosen ? ', chosen' : ''}
                      </option>
                    ))}
                  </select>
                  {slip && slip.ref !== 'today' && !slip.isChosen && (
                    <Button look="quiet" className="mt-2" onClick={() => void choose(slip.ref)}>
                      Choose {slip.name}
                    </Button>
                  )}
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, of]) => {
            const [first, second] = [
              of(a.judged as ArrangementJudgement, a),
              of(b.judged as ArrangementJudgement, b),
            ];
            const isSame = String(first) === String(second);
            return (
              <tr key={label} className="border-t border-line align-top">
                <th scope="row" className="p-3 py-2 text-left font-[650] max-md:px-1.5">
                  {label}
                </th>
                {[first, second].map((said, i) => (
                  <td
                    key={i}
                    className={`p-3 py-2 max-md:px-1.5 ${isSame ? 'text-soft' : ''} ${typeof said === 'string' ? 'font-mono' : ''}`}
                  >
                    {typeof said === 'string' ? said : <Names names={said} />}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
      <section aria-label="What moves" className="panel mt-3 p-4">
        <h2 className="text-[17px]">What moves from the first to the second</h2>
        {changes.length === 0 ? (
          <p className="mt-1 text-[14.5px] text-soft">Nothing: they are the same.</p>
        ) : (
          <ul className="mt-1.5 grid gap-x-6 sm:grid-cols-2">
            {changes.map(({ groupId, fromBayId, toBayId, secondsPerWeek }) => (
              <li key={groupId} className="border-t border-line py-1.5 text-[14.5px]">
                <b>{nameOf(groups, groupId)}</b> from {bayName(fromBayId)} to {bayName(toBayId)}
                {secondsPerWeek !== undefined && isWorthMoving(Math.abs(secondsPerWeek)) && (
                  <span className="block text-[13.5px] text-soft">
                    {minutesWords(Math.abs(secondsPerWeek))} a week{' '}
                    {secondsPerWeek > 0 ? 'more' : 'less'}
                  </span>
                )}
              </li>
            ))}
          </ul>
        )}
        {drawings.length > 0 && (
          <SideScroll
            label="What comes and what leaves, drawn"
            className="mt-3 flex flex-wrap items-end gap-4"
          >
            {drawings.map(({ roomName, sketch }) => (
              <figure key={roomName} className="max-w-full">
                <SketchView
                  sketch={sketch}
                  shrinks
                  label={`${roomName} from the front, with what comes and what leaves`}
                />
                <figcaption className="text-[13px] text-soft">
                  {roomName}: + comes, − leaves, the others stay
                </figcaption>
              </figure>
            ))}
          </SideScroll>
        )}
        {notes.map((note) => (
          <p key={note} className="mt-2 text-[13.5px] text-soft">
            {note}
          </p>
        ))}
        {[a, b].some(({ judged }) => (judged?.elsewhereIds.length ?? 0) > 0) && (
          <p className="mt-2 text-[13.5px] text-soft">
            To another room {OTHER_ROOM_METRES} m are assumed, each way.
          </p>
        )}
      </section>
    </>
  );
}

/** So many names are read at a glance; more are counted, and folded. */
const MOST_NAMED = 8;

function Names({ names }: { names: readonly string[] }) {
  if (names.length <= MOST_NAMED) return names.length === 0 ? 'none' : names.join('; ');
  return (
    <details>
      <summary>{names.length}</summary>
      <ul>
        {names.map((name) => (
          <li key={name}>{name}</li>
        ))}
      </ul>
    </details>
  );
}

const groupReach = (
  judged: ArrangementJudgement,
  groups: CompareViewProps['groups'],
  people: CompareViewProps['people'],
): string[] => {
  const byGroup = new Map<string, string[]>();
  for (const { groupId, personId } of judged.outOfReach)
    byGroup.set(groupId, [
      ...(byGroup.get(groupId) ?? []),
      people.find(({ id }) => id === personId)?.name ?? '',
    ]);
  return [...byGroup].map(
    ([groupId, names]) =>
      `${groups.find(({ id }) => id === groupId)?.name ?? ''} (${names.join(', ')})`,
  );
};
