'use client';

import { useState, type ReactNode } from 'react';

import type {
  CountedSet,
  EnoughLine,
  HouseholdCounts,
  LidMatch,
  OddPieces,
  Repeat,
} from '@/core/count';
import { formatCount } from '@/core/shared';
import { useRefreshWhenKept } from '../sort/useRefreshWhenKept';
import type { ActionResult } from '../actionResult';
import { EnoughLineView } from './EnoughLineView';
import { HouseholdBar } from './HouseholdBar';
import { RuleForm, type RuleTyped } from './RuleForm';
import { useMutation } from '../useMutation';
import { Link } from '../primitives/Link';

interface CountViewProps {
  readonly projectId: string;
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly household: HouseholdCounts;
  readonly lines: readonly EnoughLine<RuleTyped>[];
  readonly offRules: readonly RuleTyped[];
  readonly repeats: readonly Repeat[];
  readonly lids: LidMatch;
  readonly sets: readonly CountedSet[];
  readonly odd: readonly OddPieces[];
  readonly datesHref: string;
  readonly outCount: number;
  readonly soonCount: number;
  readonly onSaveRule: (typed: RuleTyped) => Promise<ActionResult>;
  readonly onDropRule: (name: string) => Promise<ActionResult>;
  readonly onHousehold: (typed: {
    readonly bedCount: number;
    readonly guestPlaceCount: number;
    readonly washEveryDays: number;
  }) => Promise<ActionResult>;
}

/** How many there are against how many are enough, and what belongs together. */
export function CountView(props: CountViewProps) {
  const { projectId, lines, offRules } = props;
  const { mutate } = useMutation();
  const [isAdding, setIsAdding] = useState(false);
  useRefreshWhenKept();
  const there = lines.filter(({ kept, undecided }) => kept + undecided > 0);
  const absent = lines.filter(({ kept, undecided }) => kept + undecided === 0);
  const over = there.reduce((sum, line) => sum + line.over, 0);
  const roomName = (id: string) => props.rooms.find((room) => room.id === id)?.name ?? '';
  const lineOf = (line: EnoughLine<RuleTyped>) => (
    <EnoughLineView
      key={line.rule.name}
      line={line}
      projectId={projectId}
      roomName={roomName}
      household={props.household}
      onSave={props.onSaveRule}
      onDrop={props.onDropRule}
    />
  );
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
      <section aria-label="How many are enough" className="panel border-t-4 border-t-rim p-4">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h1 className="text-[18px]">How many are enough</h1>
          <p className="text-[14px] text-soft">
            {over > 0 && (
              <>
                <b className="font-mono text-[17px] text-ink">{over}</b> over in all
              </>
            )}
            {over === 0 && (there.length > 0 ? 'nothing is over' : 'nothing is counted yet')}
          </p>
        </div>
        <HouseholdBar household={props.household} onSave={props.onHousehold} />
        {there.length === 0 && (
          <p className="mt-3 text-[14.5px] text-soft">
            What is kept at the bench is counted here by its kind, over the whole home: towels,
            sheets, mugs, scarves.
          </p>
        )}
        <ul className="divide-y divide-line">{there.map(lineOf)}</ul>
        <details className="mt-2 text-[14px]">
          <summary className="py-2 text-rim-deep underline underline-offset-3">
            {formatCount(absent.length, 'rule')} of which there is nothing, and your own
          </summary>
          <ul className="divide-y divide-line">{absent.map(lineOf)}</ul>
          {offRules.map((rule) => (
            <p key={rule.name} className="flex flex-wrap items-center gap-2 py-1.5 text-soft">
              {rule.name}: not counted here{' '}
              <button
                type="button"
                className="min-h-8 underline max-md:min-h-12"
                onClick={() => void mutate(() => props.onSaveRule({ ...rule, isOff: false }))}
              >
                count them again
              </button>
            </p>
          ))}
          {isAdding ? (
            <RuleForm
              rule={undefined}
              onSave={async (typed) => {
                const result = await props.onSaveRule(typed);
                if (result.ok) setIsAdding(false);
                return result;
              }}
              onBack={() => setIsAdding(false)}
            />
          ) : (
            <button
              type="button"
              className="mt-1 min-h-9 rounded-[5px] border-[1.5px] border-dashed border-line px-2.5 text-rim-deep max-md:min-h-12"
              onClick={() => setIsAdding(true)}
            >
              + A rule of this home
            </button>
          )}
        </details>
      </section>
      <div className="grid gap-4">
        <Panel title="Dates">
          <p className="text-[14.5px]">
            {props.outCount + props.soonCount === 0 ? (
              'Nothing that is kept runs out within 30 days.'
            ) : (
              <>
                {props.outCount > 0 && (
                  <b className="text-signal-deep">{props.outCount} out of date</b>
                )}
                {props.outCount > 0 && props.soonCount > 0 && ', '}
                {props.soonCount > 0 && <>{props.soonCount} to use within 30 days</>}.
              </>
            )}
          </p>
          <Link
            href={props.datesHref}
            className="mt-1 inline-block min-h-9 py-1.5 text-rim-deep underline underline-offset-3 max-md:min-h-12"
          >
            A spice drawer or medicine chest, pack by pack
          </Link>
        </Panel>
        <Repeats repeats={props.repeats} roomName={roomName} />
        <Lids lids={props.lids} />
        <Sets sets={props.sets} odd={props.odd} roomName={roomName} />
      </div>
    </div>
  );
}

function Panel({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="panel p-4">
      <h2 className="mb-1 text-[17px]">{title}</h2>
      {children}
    </section>
  );
}

function Repeats({
  repeats,
  roomName,
}: {
  repeats: readonly Repeat[];
  roomName: (id: string) => string;
}) {
  return (
    <Panel title="In several rooms">
      {repeats.length === 0 && (
        <p className="text-[14px] text-soft">Nothing is kept in two rooms at once.</p>
      )}
      <ul className="grid gap-1 text-[14.5px]">
        {repeats.slice(0, 8).map((repeat) => (
          <li key={repeat.likeness}>
            <b>
              {repeat.count} {repeat.name}
            </b>{' '}
            in {repeat.rooms.length} rooms:{' '}
            <span className="text-soft">
              {repeat.rooms
                .map(({ roomId, count }) => `${roomName(roomId).toLowerCase()} ${count}`)
                .join(', ')}
            </span>
          </li>
        ))}
      </ul>
      {repeats.length > 8 && (
        <p className="mt-1 text-[13.5px] text-soft">and {repeats.length - 8} more kinds</p>
      )}
    </Panel>
  );
}

function Lids({ lids }: { lids: LidMatch }) {
  const pairs = lids.pairs.reduce((sum, { count }) => sum + count, 0);
  const isEmpty =
    pairs + lids.boxesWithout.length + lids.lidsWithout.length + lids.unmeasured.length === 0;
  const names = (list: LidMatch['lidsWithout']) =>
    list
      .map(({ thing, count }) => `${partWords(count, thing.count)} ${thing.name}`.trim())
      .join('; ');
  return (
    <Panel title="Lids to boxes">
      {isEmpty && (
        <p className="text-[14px] text-soft">
          Keep boxes and lids with their rim, “tub 18 x 12”, “lid 86 mm”: they are matched here.
        </p>
      )}
      {pairs > 0 && (
        <p className="text-[14.5px]">
          <b className="font-mono">{pairs}</b> {pairs === 1 ? 'box has' : 'boxes have'} a lid of the
          same size.
        </p>
      )}
      {lids.boxesWithout.length > 0 && (
        <p className="text-[14.5px]">
          Without a lid: <span className="text-soft">{names(lids.boxesWithout)}</span>
        </p>
      )}
      {lids.lidsWithout.length > 0 && (
        <p className="text-[14.5px]">
          Lids without a box: <span className="text-soft">{names(lids.lidsWithout)}</span>
        </p>
      )}
      {lids.unmeasured.length > 0 && (
        <p className="mt-1 text-[14px] text-soft">
          Measure the rim of {lids.unmeasured.map(({ name }) => name).join('; ')}.
        </p>
      )}
    </Panel>
  );
}

function Sets({
  sets,
  odd,
  roomName,
}: {
  sets: readonly CountedSet[];
  odd: readonly OddPieces[];
  roomName: (id: string) => string;
}) {
  const where = (things: CountedSet['things']) =>
    [...new Set(things.map(({ roomId }) => roomName(roomId).toLowerCase()))].join(', ');
  return (
    <Panel title="Sets and pairs">
      {sets.length + odd.length === 0 && (
        <p className="text-[14px] text-soft">
          “5 of 6 bowls” makes a set that is counted over all rooms; “odd sock” waits for its
          partner.
        </p>
      )}
      <ul className="grid gap-1 text-[14.5px]">
        {sets.map((set) => (
          <li key={`${set.name}${set.expected}`}>
            {set.name}:{' '}
            {set.present >= set.expected ? (
              <b>complete, {set.expected}</b>
            ) : (
              <>
                <b>
                  {set.present} of {set.expected}
                </b>
                , {set.expected - set.present} missing
              </>
            )}{' '}
            <span className="text-soft">({where(set.things)})</span>
          </li>
        ))}
        {odd.map((pieces) => (
          <li key={pieces.name}>
            {pieces.count} odd ones, {pieces.name}:{' '}
            <span className="text-soft">lay them side by side ({where(pieces.things)})</span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** How many of a pile: nothing where it is the only one. */
function partWords(count: number, all: number): string {
  if (count < all) return `${count} of ${all}`;
  return count === 1 ? '' : String(count);
}
