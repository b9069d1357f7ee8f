import type { ReactNode } from 'react';

import type {
  ComparedRoom,
  Comparison,
  FirmLearned,
  Learning,
  LearnReport,
  LearnTopic,
} from '@/core/learn';
import { taskKinds } from '@/core/setUp';
import { formatCount, formatLitres, formatMoney, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { contentKindWords, hoursWords } from '../agree/agreeWords';
import { dayWords } from '../home/homeWords';
import { SideScroll } from '../primitives/SideScroll';
import { factorWords, mediumWords, offWords, shareWords, taskKindWords } from './learnWords';
import { OutcomeChart } from './OutcomeChart';
import { TopicPanel } from './TopicPanel';

interface LearntViewProps {
  readonly report: LearnReport;
  readonly learned: FirmLearned;
  readonly learning: Learning;
  readonly onStartOver: (topic: LearnTopic) => Promise<ActionResult>;
  readonly onCountAll: (topic: LearnTopic) => Promise<ActionResult>;
}

/** What was estimated, what it came to, and what is learnt of it; each with how much it rests on. */
export function LearntView({ report, learned, learning, ...acts }: LearntViewProps) {
  const panel = (topic: LearnTopic, children: ReactNode) => (
    <TopicPanel topic={topic} leftAsideTo={learning.leftAsideTo[topic]} {...acts}>
      {children}
    </TopicPanel>
  );
  return (
    <div className="mx-auto max-w-[1180px]">
      <h1 className="text-[24px]">What was estimated, and what it came to</h1>
      <p className="mb-4 max-w-[76ch] text-[14.5px] text-soft">{restsWords(report)}</p>
      <div className="grid items-start gap-4 lg:grid-cols-2 xl:grid-cols-3">
        {panel('hours', <Hours comparison={report.minutes} hours={learned.hours} />)}
        {panel(
          'litres',
          <>
            <p>Litres by the tape and the eye: {factorWords(learned.litres)}.</p>
            <Compared comparison={report.litres} say={formatLitres} what="litres" />
          </>,
        )}
        {panel('money', <Money report={report} money={learned.money} />)}
      </div>
      <div className="mt-4 grid gap-4 lg:grid-cols-2 xl:grid-cols-3">
        {panel('tasks', <Tasks tasks={learned.tasks} />)}
        {panel('sizes', <Sizes sizes={learned.sizes} />)}
        {panel('fullness', <Fullness fullness={learned.fullness} />)}
        {panel('containers', <Containers learned={learned} />)}
        {panel('labels', <Labels learned={learned} />)}
      </div>
    </div>
  );
}

function restsWords({ roomCount, homeCount }: LearnReport): string {
  if (roomCount === 0)
    return (
      'No room is finished yet: a room is finished when each of its spots has a picture after. ' +
      'Until then everything below is an assumption.'
    );
  return (
    `Rests on ${formatCount(roomCount, 'finished room')} of ${formatCount(homeCount, 'home')}, those that were ` +
    'put away too. While there is little, the assumptions count beside it.'
  );
}

function Hours({
  comparison,
  hours,
}: {
  readonly comparison: Comparison;
  readonly hours: FirmLearned['hours'];
}) {
  const kinds = Object.entries(hours.byContent) as [
    keyof typeof contentKindWords,
    (typeof hours)['all'],
  ][];
  return (
    <>
      <p>All rooms: {factorWords(hours.all)}.</p>
      {kinds.map(([kind, learned]) => (
        <p key={kind}>
          Rooms of {contentKindWords[kind].toLowerCase()} ({learned.count}): {factorWords(learned)}.
        </p>
      ))}
      <Compared comparison={comparison} say={hoursWords} what="hours" />
    </>
  );
}

function Money({
  report,
  money,
}: {
  readonly report: LearnReport;
  readonly money: FirmLearned['money'];
}) {
  return (
    <>
      <p>The till against the list: {factorWords(money)}.</p>
      {report.money.length === 0 && <None what="purchases that stood on a list" />}
      {report.money.map(({ currency, comparison }) => (
        <Compared
          key={currency}
          comparison={comparison}
          say={(minor) => wholeMoney(minor, currency)}
          what={`money (${currency})`}
        />
      ))}
    </>
  );
}
const wholeMoney = (minor: number, currency: Currency): string =>
  formatMoney(Math.round(minor / 100) * 100, currency).replace(/[.,]00(?=\D|$)/, '');

/** So many of the latest rooms go into the chart; the table has all. */
const MOST_BARS = 8;

function Compared({
  comparison: { rooms, assumedError, learntError },
  say,
  what,
}: {
  readonly comparison: Comparison;
  readonly say: (value: number) => string;
  readonly what: string;
}) {
  if (rooms.length === 0) return <None what={`finished rooms with ${what}`} />;
  const sayAll = ({ assumed, learnt, actual }: ComparedRoom) => ({
    assumed: say(assumed),
    learnt: say(learnt),
    actual: say(actual),
  });
  return (
    <>
      <p>
        {formatCount(rooms.length, 'room')}: on average {offWords(assumedError)} off by the
        assumptions alone, {offWords(learntError)} with what was learnt from the rooms before each.
      </p>
      <OutcomeChart
        rows={rooms.slice(-MOST_BARS).map((room) => ({
          id: room.roomId,
          name: room.roomName,
          assumed: room.assumed,
          learnt: room.learnt,
          actual: room.actual,
          said: sayAll(room),
        }))}
      />
      <details className="mt-1">
        <summary className="min-h-9 py-1.5 text-rim max-md:min-h-12">
          The {formatCount(rooms.length, 'room')} in figures
        </summary>
        <SideScroll label={`Rooms by ${what}`}>
          <table className="w-full text-[13.5px]">
            <thead>
              <tr className="text-left text-soft">
                <th className="pr-2 font-normal">Room</th>
                <th className="pr-2 font-normal">finished</th>
                <th className="pr-2 font-normal">assumed</th>
                <th className="pr-2 font-normal">with what was learnt</th>
                <th className="font-normal">came to</th>
              </tr>
            </thead>
            <tbody>
              {rooms.map((room) => {
                const said = sayAll(room);
                return (
                  <tr key={room.roomId} className="border-t border-line">
                    <th scope="row" className="py-1 pr-2 text-left font-[600]">
                      {room.roomName}
                      <span className="block font-normal text-soft">{room.homeName}</span>
                    </th>
                    <td className="pr-2">{dayWords(room.on)}</td>
                    <td className="measure pr-2">{said.assumed}</td>
                    <td className="measure pr-2">{said.learnt}</td>
                    <td className="measure">{said.actual}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </SideScroll>
      </details>
    </>
  );
}

const None = ({ what }: { readonly what: string }) => (
  <p className="text-soft">No {what} yet: assumptions only.</p>
);

function Tasks({ tasks }: { readonly tasks: FirmLearned['tasks'] }) {
  const known = taskKinds.flatMap((kind) => {
    const learned = tasks[kind];
    return learned ? [{ kind, learned }] : [];
  });
  if (known.length === 0) return <None what="tasks whose minutes were noted" />;
  return (
    <ul className="grid gap-0.5">
      {known.map(({ kind, learned }) => (
        <li key={kind}>
          <b>{taskKindWords[kind]}</b> ({formatCount(learned.count, 'time')}):{' '}
          {factorWords(learned)}
        </li>
      ))}
    </ul>
  );
}

function Sizes({ sizes }: { readonly sizes: FirmLearned['sizes'] }) {
  if (sizes.length === 0) return <None what="things whose size was typed at a bench" />;
  return (
    <ul className="grid gap-0.5">
      {sizes.map((size) => (
        <li key={size.kindId}>
          <b>{size.kindId}</b> ({formatCount(size.count, 'size')}): {factorWords(size)}
        </li>
      ))}
    </ul>
  );
}

function Fullness({ fullness }: { readonly fullness: FirmLearned['fullness'] }) {
  const { litres, overfull, halfEmpty } = fullness;
  return (
    <>
      <p>Places found overfull: {shareWords(overfull, 'place')}.</p>
      <p>Places found half empty: {shareWords(halfEmpty, 'place')}.</p>
      <p>
        What lay there against what lives there by the plan ({formatCount(litres.count, 'place')}):{' '}
        {factorWords(litres)}.
      </p>
    </>
  );
}

function Containers({ learned }: { readonly learned: FirmLearned }) {
  return (
    <>
      <p>Lids that stay on: {shareWords(learned.lidsOn, 'place')}.</p>
      {learned.containers.length === 0 ? (
        <None what="containers that were looked at on a walk" />
      ) : (
        <ul className="mt-1 grid gap-0.5">
          {learned.containers.map((each) => (
            <li key={each.containerId}>
              <b>{each.name}</b>: in use at {each.used.hits} of{' '}
              {formatCount(each.used.count, 'look')}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

function Labels({ learned: { labels, found } }: { readonly learned: FirmLearned }) {
  return (
    <>
      <p>Found at the first try, with a label: {shareWords(found.labelled, 'thing')}.</p>
      <p>Without one: {shareWords(found.unlabelled, 'thing')}.</p>
      {labels.length === 0 ? (
        <None what="labels that were looked at on a walk" />
      ) : (
        labels.map(({ medium, stays }) => (
          <p key={medium}>
            Labels {mediumWords[medium]} that are still there: {shareWords(stays, 'place')}.
          </p>
        ))
      )}
    </>
  );
}
