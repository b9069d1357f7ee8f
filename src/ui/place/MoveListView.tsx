'use client';

import { useParams } from 'next/navigation';
import { useOptimistic, useState, useTransition } from 'react';

import { cleanings, tickedItem, type KeptMoveList } from '@/core/place';
import { formatCount, formatLitres, formatMass, type RoomId, toId } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { WAITS_WORDS } from '../field/fieldWords';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { Button } from '../primitives/Button';
import { Choice } from '../primitives/Choice';
import { CheckField, TextField } from '../primitives/Field';
import { MoveLine, type MovedGroup } from './MoveLine';

interface MoveListViewProps {
  readonly list: KeptMoveList | undefined;
  readonly bays: readonly { readonly id: string; readonly name: string; readonly isOwn: boolean }[];
  readonly groups: readonly MovedGroup[];
  readonly basketLitres: number;
  readonly liftG: number;
  readonly onMake: (input: {
    readonly cleaning: string;
    readonly cleanedBayIds: readonly string[];
    readonly basketsStand: string;
  }) => Promise<ActionResult>;
  readonly onDeviate: (groupId: string, bayId: string | null) => Promise<ActionResult>;
}

const UNANSWERED = 'The desk did not answer. Nothing that you typed is lost; try again.';

const CLEANING_WORDS: Readonly<Record<KeptMoveList['cleaning'], string>> = {
  wipe: 'wiped',
  line: 'lined',
  paint: 'painted',
};

/**
 * The working list from where everything stands to the chosen arrangement: made, ticked off, made
 * anew where reality differed.
 */
export function MoveListView({
  list: keptList,
  bays,
  groups,
  basketLitres,
  liftG,
  onMake,
  onDeviate,
}: MoveListViewProps) {
  const { send } = useFieldAct();
  const roomId = toId<RoomId>(useParams<{ roomId: string }>().roomId);
  const waiting = useWaitingCommands();
  const isWaiting = (index: number) =>
    waiting.some(
      (each) => each.kind === 'move' && each.madeAt === keptList?.madeAt && each.index === index,
    );
  const [isWorking, startWork] = useTransition();
  const [message, setMessage] = useState('');
  // A tick shows at once; the server's word replaces it.
  const [list, tickAtOnce] = useOptimistic(
    waiting.reduce(
      (before, each) =>
        each.kind === 'move' && before && each.madeAt === before.madeAt && each.roomId === roomId
          ? tickedItem(before, each.index, each.isDone ? each.at : null)
          : before,
      keptList,
    ),
    (before, { index, isDone }: { index: number; isDone: boolean }) =>
      before && tickedItem(before, index, isDone ? before.madeAt : null),
  );
  const bayNames = Object.fromEntries(bays.map(({ id, name }) => [id, name]));
  const run = (work: () => Promise<ActionResult>, first?: () => void) =>
    startWork(async () => {
      first?.();
      const result = await work().catch((): ActionResult => ({ ok: false, message: UNANSWERED }));
      setMessage(result.ok ? '' : result.message);
    });
  const open = list?.items.filter(({ doneAt }) => doneAt === null) ?? [];
  const firstOpen = list?.items.findIndex(({ doneAt }) => doneAt === null) ?? -1;
  const toMove = groups.filter((group) => group.isOwn && group.bayId !== group.standsBayId);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <MakeForm
        key={list?.madeAt ?? ''}
        list={list}
        bays={bays.filter(({ isOwn }) => isOwn)}
        isWorking={isWorking}
        moveCount={toMove.length}
        onMake={(input) => run(() => onMake(input))}
      />
      {message !== '' && (
        <p role="alert" className="warn">
          {message}
        </p>
      )}
      {list && list.items.length === 0 && (
        <p className="panel p-4 text-[15px]">
          Everything stands where it is to live; there is nothing to carry.
        </p>
      )}
      {list && list.items.length > 0 && (
        <section aria-label="Moves" className="panel border-t-4 border-t-rim p-4 max-md:p-2.5">
          <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
            <h2 className="text-[18px]">
              {open.length === 0
                ? 'All moves are done'
                : `${open.length} of ${list.items.length} to go`}
            </h2>
            <button
              type="button"
              className="no-print text-[14px] text-rim underline underline-offset-3 max-md:min-h-12"
              onClick={() => window.print()}
            >
              Print this list
            </button>
          </div>
          <p className="mt-1 text-[14.5px]">
            {list.baskets === 0 ? (
              'No basket is needed: everything goes straight to its place.'
            ) : (
              <>
                Have{' '}
                <b>
                  {list.baskets} {list.baskets === 1 ? 'basket' : 'baskets'}
                </b>{' '}
                of {basketLitres} l ready{list.basketsStand === '' ? '' : `, ${list.basketsStand}`};{' '}
                <span className="font-mono">{formatLitres(list.stagedLitres)}</span> are handled
                twice
              </>
            )}
            {list.baskets > 0 && leastStagedWords(list)}
          </p>
          {list.circles.length > 0 && (
            <div className="mt-2 text-[14px] text-soft">
              {list.circles.map((circle) => (
                <p key={circle.join()}>
                  Waiting for each other: {circle.map((id) => bayNames[id] ?? '').join(' → ')}. A
                  basket opens the circle.
                </p>
              ))}
            </div>
          )}
          {list.items.some((item) => item.kind === 'move' && item.carryCount > 1) && (
            <p className="warn mt-2">
              Nobody lifts more than {formatMass(liftG)} at once: heavier groups go in several
              carries, or with two people. No climbing with full hands.
            </p>
          )}
          <ol className="mt-2">
            {list.items.map((item, i) => (
              <MoveLine
                key={i}
                item={item}
                number={i + 1}
                isNext={i === firstOpen}
                isBusy={isWorking || isWaiting(i)}
                note={isWaiting(i) ? WAITS_WORDS : ''}
                isLocked={
                  item.doneAt === null &&
                  item.kind === 'move' &&
                  list.items
                    .slice(0, i)
                    .some(
                      (other) =>
                        other.kind === 'move' &&
                        other.groupId === item.groupId &&
                        other.doneAt === null,
                    )
                }
                cleaningWord={CLEANING_WORDS[list.cleaning]}
                group={
                  item.kind === 'move' ? groups.find(({ id }) => id === item.groupId) : undefined
                }
                bays={bays}
                onTick={(isDone) =>
                  run(
                    () => send({ kind: 'move', roomId, madeAt: list.madeAt, index: i, isDone }),
                    () => tickAtOnce({ index: i, isDone }),
                  )
                }
                onDeviate={(bayId) =>
                  item.kind === 'move' && run(() => onDeviate(item.groupId, bayId))
                }
              />
            ))}
          </ol>
        </section>
      )}
    </div>
  );
}

interface MakeFormProps {
  readonly list: KeptMoveList | undefined;
  readonly bays: readonly { readonly id: string; readonly name: string }[];
  readonly isWorking: boolean;
  readonly moveCount: number;
  readonly onMake: (input: {
    readonly cleaning: string;
    readonly cleanedBayIds: readonly string[];
    readonly basketsStand: string;
  }) => void;
}

const toMoveWords = (moveCount: number): string =>
  moveCount === 0
    ? 'Nothing stands elsewhere than planned'
    : `${formatCount(moveCount, 'group has', 'groups have')} to move`;

function MakeForm({ list, bays, isWorking, moveCount, onMake }: MakeFormProps) {
  const [cleaning, setCleaning] = useState<KeptMoveList['cleaning'] | 'none'>(
    list && list.cleanedBayIds.length > 0 ? list.cleaning : 'none',
  );
  const [cleaned, setCleaned] = useState<readonly string[]>(
    list && list.cleanedBayIds.length > 0 ? list.cleanedBayIds : bays.map(({ id }) => id),
  );
  const [stand, setStand] = useState(list?.basketsStand ?? '');
  return (
    <details open={!list} className="no-print panel p-4">
      <summary className="text-[17px] font-[650] max-md:min-h-8">
        {list ? 'Work the order out again' : toMoveWords(moveCount)}
      </summary>
      <p className="mt-1 text-[14px] text-soft">
        From where everything stands today to the chosen arrangement, with the least handled twice.
      </p>
      <p className="caption mt-2 mb-1">Between emptying and loading, the places are</p>
      <Choice
        label="Between emptying and loading, the places are"
        value={cleaning}
        options={(['none', ...cleanings] as const).map((kind) => [
          kind,
          kind === 'none' ? 'left as they are' : CLEANING_WORDS[kind],
        ])}
        onChange={setCleaning}
      />
      {cleaning !== 'none' && (
        <div className="flex flex-wrap gap-x-4">
          {bays.map(({ id, name }) => (
            <CheckField
              key={id}
              label={name}
              checked={cleaned.includes(id)}
              onChange={() =>
                setCleaned(
                  cleaned.includes(id) ? cleaned.filter((other) => other !== id) : [...cleaned, id],
                )
              }
            />
          ))}
        </div>
      )}
      {cleaning === 'paint' && (
        <p className="warn mt-1">
          Paint must dry and then cure before anything goes back: by its tin, often days. Paint in
          moving air. Old paint may hold lead: stop and leave it to licensed people.
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <TextField
          label="Where the baskets stand meanwhile"
          className="w-[280px]"
          maxLength={80}
          placeholder="on the landing"
          value={stand}
          onChange={(event) => setStand(event.target.value)}
        />
        <Button
          look={list ? 'quiet' : 'main'}
          disabled={isWorking}
          onClick={() =>
            onMake({
              cleaning: cleaning === 'none' ? 'wipe' : cleaning,
              cleanedBayIds: cleaning === 'none' ? [] : cleaned,
              basketsStand: stand,
            })
          }
        >
          {isWorking ? 'Working it out …' : 'Work out the order'}
        </Button>
      </div>
    </details>
  );
}

/** How near the order of a list is to the least that any order handles twice. */
function leastStagedWords({
  stagedLitres,
  leastStagedLitres,
}: Pick<KeptMoveList, 'stagedLitres' | 'leastStagedLitres'>): string {
  if (leastStagedLitres === null) return ', with what is emptied for cleaning.';
  return stagedLitres - leastStagedLitres <= 1e-6 * Math.max(1, stagedLitres)
    ? '; no order handles less twice, that is proven.'
    : `; at least ${formatLitres(leastStagedLitres)} in any order.`;
}
