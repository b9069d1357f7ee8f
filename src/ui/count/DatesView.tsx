'use client';

import { parseISO } from 'date-fns';
import { Fragment, useMemo, useRef, useState } from 'react';

import {
  datesCardOf,
  outcomeByDate,
  parsePack,
  usualPacks,
  type DatedThing,
  type ParsedPack,
} from '@/core/count';
import { decisionIdSchema, formatCount, type RoomId, formatDate } from '@/core/shared';
import {
  type DecisionEvent,
  type Group,
  type Thing,
  correctThing,
  createParser,
  factsOf,
  foldDecisions,
  isKept,
  withCount,
  type ParsedThing,
  splitPile,
} from '@/core/sort';
import { stemsOf, type OwnKind } from '@/core/things';
import { createUuid } from '../createUuid';
import { buttonClass } from '../primitives/Button';
import { sendDecisions } from '../sort/sendDecisions';
import { useRefreshWhenKept } from '../sort/useRefreshWhenKept';
import { serverNow } from '../sort/deviceClock';
import { decideFromList } from '../sort/decideFromList';
import { createMeans, createThingId } from '../sort/eventMeans';
import { deviceName } from '../outbox/deviceNames';
import { cautionWords, sayTo } from '../sort/sortWords';

interface DatesViewProps {
  readonly projectId: string;
  readonly roomId: RoomId;
  readonly things: readonly Thing[];
  readonly groups: readonly Group[];
  /** The organizer's own kinds. */
  readonly own: readonly OwnKind[];
  /** The calendar day on the server. */
  readonly today: string;
}

const dayWords = (day: string): string => formatDate(parseISO(day), 'd MMM yyyy');

/**
 * Packs by their dates: one line a pack, so fast that a drawer takes two minutes; beside it what
 * runs out first.
 */
export function DatesView({ projectId, roomId, things, groups, own, today }: DatesViewProps) {
  const [added, setAdded] = useState<readonly DecisionEvent[]>([]);
  useRefreshWhenKept();
  const known = new Set(things.map(({ id }) => id));
  const mine = foldDecisions(added);
  const all = [
    ...things
      .filter(({ id }) => !added.some((event) => event.thingId === id && event.kind === 'undone'))
      // What was read here just now is how the thing stands.
      .map((thing) => mine.find(({ id }) => id === thing.id) ?? thing),
    ...mine.filter(({ id }) => !known.has(id)),
  ];
  const send = (events: readonly DecisionEvent[]) => {
    sendDecisions(projectId, events);
    setAdded((before) => [...before, ...events]);
  };
  const parse = useMemo(() => createParser({ groups, things }, own), [groups, things, own]);
  const keep = (pack: ParsedPack) => {
    const sized = parse(pack.name);
    if (!sized) return;
    const counted = withCount({ ...sized, count: 1 }, pack.count);
    const outcome =
      pack.expiresOn === undefined
        ? { verdict: 'keep' as const, to: '', isOut: false }
        : outcomeByDate(sized.goesTo, pack.expiresOn, today);
    // A pack that is here without its date gets it; a second one is not made of it.
    const undated = undatedOf(all, pack);
    if (undated && pack.expiresOn !== undefined) {
      const { verdict, to, isOut } = outcome;
      send([
        correctThing(
          undated,
          {
            verdict,
            to,
            expiresOn: pack.expiresOn,
            reasons: isOut ? ['out_of_date'] : [...undated.reasons],
          },
          createMeans(),
        ),
      ]);
      return;
    }
    const pile: Parameters<typeof splitPile>[0] = {
      id: createThingId(),
      roomId,
      name: pack.name,
      count: pack.count,
      verdict: 'keep',
      to: '',
      reasons: outcome.isOut ? ['out_of_date'] : [],
      groupId: sized.groupId ?? null,
      ...factsOf(counted),
      litres: Math.round(counted.litres * 100) / 100,
      massG: Math.round(counted.massG),
      ...(pack.expiresOn === undefined ? {} : { expiresOn: pack.expiresOn }),
    };
    send(
      splitPile(
        pile,
        [{ count: pack.count, verdict: outcome.verdict, to: outcome.to }],
        createMeans(),
      ),
    );
  };
  const takeBack = (thing: Thing) =>
    send([
      {
        kind: 'undone',
        id: decisionIdSchema.parse(createUuid()),
        thingId: thing.id,
        aboutId: thing.decisionId,
        decidedAt: serverNow(),
        device: deviceName(),
      },
    ]);
  const names = [...new Set([...all.map(({ name }) => name), ...usualPacks])];
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <div className="grid gap-3">
        <PackLine
          parse={parse}
          names={names}
          lastName={mine.at(-1)?.name}
          today={today}
          onKeep={keep}
        />
        {mine.length > 0 ? <JustRead things={mine} onTakeBack={takeBack} /> : <ShortWays />}
      </div>
      <Card projectId={projectId} roomId={roomId} things={all} today={today} />
    </div>
  );
}

/** A kept thing of that name and number that nobody has read a date of. */
function undatedOf(things: readonly Thing[], pack: ParsedPack): Thing | undefined {
  const key = stemsOf(pack.name).join(' ');
  return things.find(
    (thing) =>
      isKept(thing) &&
      thing.expiresOn === undefined &&
      thing.count === pack.count &&
      stemsOf(thing.name).join(' ') === key,
  );
}

interface PackLineProps {
  readonly parse: (name: string) => ParsedThing | undefined;
  readonly names: readonly string[];
  readonly lastName: string | undefined;
  readonly today: string;
  readonly onKeep: (pack: ParsedPack) => void;
}

function PackLine({ parse, names, lastName, today, onKeep }: PackLineProps) {
  const [typed, setTyped] = useState('');
  const lineRef = useRef<HTMLInputElement>(null);
  const pack = parsePack(typed, names, lastName);
  const sized = pack && parse(pack.name);
  const outcome =
    pack?.expiresOn === undefined
      ? undefined
      : outcomeByDate(sized?.goesTo ?? [], pack.expiresOn, today);
  const keep = () => {
    if (!pack) return;
    onKeep(pack);
    setTyped('');
    lineRef.current?.focus();
  };
  return (
    <form
      className="panel border-t-4 border-t-rim p-4"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <label htmlFor="pack-line" className="caption">
        A pack: the beginning of its name, and its date
      </label>
      <div className="mt-1 flex gap-2">
        <input
          ref={lineRef}
          id="pack-line"
          autoFocus
          autoComplete="off"
          autoCapitalize="none"
          maxLength={100}
          enterKeyHint="done"
          placeholder="pap 1226"
          className="input min-h-12 font-head text-[20px] font-[620]"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <button type="submit" className={buttonClass('main')} disabled={!pack}>
          Next
        </button>
      </div>
      <p role="status" className="mt-2 min-h-6 text-[15px]">
        {pack ? (
          <>
            <b>
              {pack.count > 1 ? `${pack.count} ` : ''}
              {pack.name}
            </b>
            {pack.expiresOn === undefined
              ? ', no date: it is noted as without one'
              : `, until ${dayWords(pack.expiresOn)}`}
            {outcome && (
              <b className={outcome.isOut ? 'text-signal-deep' : 'text-rim-deep'}>
                {outcome.isOut ? ` · out of date${wayWords(outcome)}` : ' · in date, keep'}
              </b>
            )}
          </>
        ) : (
          <span className="text-soft">
            1226 is December 2026. A date alone is one more of the last. Enter goes on.
          </span>
        )}
      </p>
      {pack &&
        sized?.cautions.map((code) => (
          <p key={code} className="warn mt-1">
            {cautionWords[code]}
          </p>
        ))}
    </form>
  );
}

const SHORT_WAYS = [
  ['pap 1226', 'paprika, until the end of December 2026'],
  ['2 ibu 3/27', 'two packs of ibuprofen tablets, until the end of March 2027'],
  ['0528', 'one more of the same, until the end of May 2028'],
  ['saffron', 'saffron, on which no date was found'],
] as const;

/** What the line understands, for the first packs. */
function ShortWays() {
  return (
    <section aria-label="Short ways to say it" className="px-4 text-[14px]">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {SHORT_WAYS.map(([typed, meant]) => (
          <Fragment key={typed}>
            <dt className="font-mono">{typed}</dt>
            <dd className="text-soft">{meant}</dd>
          </Fragment>
        ))}
      </dl>
      <p className="mt-2 text-soft">
        What is in date stays with its group. What is out of date leaves: food into the bin,
        medicine and batteries to the proper place. Each line can be taken back.
      </p>
    </section>
  );
}

function JustRead({
  things,
  onTakeBack,
}: {
  things: readonly Thing[];
  onTakeBack: (thing: Thing) => void;
}) {
  const [isWhole, setIsWhole] = useState(false);
  const out = things.filter((thing) => !isKept(thing));
  return (
    <section aria-label="Just read" className="panel p-4">
      <h2 className="text-[16px]">
        Just read: {formatCount(things.length, 'pack')}
        {out.length > 0 && `, ${out.length} out of date`}
      </h2>
      <ul className="mt-1 divide-y divide-line">
        {[...things]
          .reverse()
          .slice(0, isWhole ? undefined : 12)
          .map((thing) => (
            <li
              key={thing.id}
              className="flex items-center justify-between gap-3 py-1 text-[14.5px]"
            >
              <span>
                {thing.count > 1 ? `${thing.count} ` : ''}
                {thing.name}{' '}
                <span className={isKept(thing) ? 'text-soft' : 'font-[650] text-signal-deep'}>
                  {thing.expiresOn === undefined ? 'no date' : dayWords(thing.expiresOn)}
                  {isKept(thing) ? '' : wayWords(thing)}
                </span>
              </span>
              <button
                type="button"
                className="min-h-8 text-[13.5px] underline underline-offset-3 max-md:min-h-12"
                aria-label={`Take back ${thing.name}`}
                onClick={() => onTakeBack(thing)}
              >
                take back
              </button>
            </li>
          ))}
      </ul>
      {things.length > 12 && !isWhole && (
        <button
          type="button"
          className="min-h-9 text-[13.5px] underline underline-offset-3 max-md:min-h-12"
          onClick={() => setIsWhole(true)}
        >
          and {things.length - 12} before them
        </button>
      )}
    </section>
  );
}

function Card({
  projectId,
  roomId,
  things,
  today,
}: {
  projectId: string;
  roomId: RoomId;
  things: readonly Thing[];
  today: string;
}) {
  const card = datesCardOf(things, today);
  const count = card.out.length + card.soon.length + card.good.length;
  const setDay = (thing: Thing, expiresOn: string) =>
    expiresOn !== '' && decideFromList(projectId, thing, { expiresOn });
  return (
    <section aria-label="Dates card" className="panel p-4">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-[18px]">What runs out first</h2>
        {count > 0 && (
          <a
            className={buttonClass('quiet')}
            href={`/api/projects/${projectId}/dates-card?room=${roomId}`}
            target="_blank"
            rel="noreferrer"
          >
            Print the dates card
          </a>
        )}
      </div>
      {count + card.undated.length === 0 && (
        <p className="mt-1 text-[14.5px] text-soft">
          Nothing with a date is kept in this room yet. Read the first pack on the left, or say “use
          by 12/26” at the bench.
        </p>
      )}
      <Lines title="Out of date, still kept" lines={card.out} look="out" />
      <Lines title="Within 30 days" lines={card.soon} look="soon" />
      <Lines title="Later" lines={card.good} look="good" />
      {card.undated.length > 0 && (
        <>
          <h3 className="caption mt-3 font-text">No date read</h3>
          <ul className="divide-y divide-line">
            {card.undated.map((thing) => (
              <li
                key={thing.id}
                className="flex items-center justify-between gap-3 py-1 text-[14.5px]"
              >
                <span>
                  {thing.count > 1 ? `${thing.count} ` : ''}
                  {thing.name}
                </span>
                <input
                  type="date"
                  aria-label={`Use by, ${thing.name}`}
                  className="input min-h-8 w-auto py-0.5 text-[13.5px] max-md:min-h-12"
                  onBlur={(event) => setDay(thing, event.target.value)}
                />
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

function Lines({
  title,
  lines,
  look,
}: {
  title: string;
  lines: readonly DatedThing[];
  look: 'out' | 'soon' | 'good';
}) {
  if (lines.length === 0) return null;
  const mark = MARKS[look];
  return (
    <>
      <h3 className={`caption mt-3 font-text ${look === 'out' ? 'text-signal-deep' : ''}`}>
        {title}, {lines.length}
      </h3>
      <ul className="divide-y divide-line">
        {lines.map(({ thing, expiresOn, daysLeft, useFirst }) => (
          <li
            key={thing.id}
            className="flex flex-wrap items-baseline justify-between gap-x-3 py-1 text-[14.5px]"
          >
            <span className="min-w-[110px] flex-1">
              {thing.count > 1 ? `${thing.count} ` : ''}
              {thing.name}
              {useFirst && <b className="ml-2 text-[13px] text-rim-deep">use first</b>}
            </span>
            <span className={`shrink-0 font-mono text-[13.5px] ${mark}`}>
              {dayWords(expiresOn)}
              <span className="inline-block w-[92px] text-right">
                {daysLeft < 0 ? `${-daysLeft} d ago` : `${daysLeft} d`}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

const MARKS = { out: 'text-signal-deep', soon: 'text-rim-deep', good: 'text-soft' } as const;

/** How what is out of date leaves. */
const wayWords = (going: Parameters<typeof sayTo>[0]): string =>
  going.to === '' ? ', discard' : `, ${sayTo(going)}`;
