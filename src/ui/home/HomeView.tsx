import { parseISO } from 'date-fns';
import type { ReactNode } from 'react';

import type { Project, Section } from '@/core/agree';
import type { NextInRoom } from '@/core/desk';
import type { Room } from '@/core/look';
import {
  formatCount,
  formatLitres,
  formatMass,
  formatMoney,
  type Currency,
  formatDate,
} from '@/core/shared';
import type { Purchase } from '@/core/shop';
import type { Amount, Carry, Thing } from '@/core/sort';
import type { Visit } from '@/core/visits';
import { TakenAlong } from '../along/TakenAlong';
import { hoursWords } from '../agree/agreeWords';
import { Conflicts, type ConflictsProps } from '../field/ConflictsHere';
import { timesWords, visitDayWords } from '../visits/visitWords';
import { buttonClass } from '../primitives/Button';
import { NextList } from '../shell/NextThings';
import { scopeBase, stepHref } from '../shell/scope';
import { stepRegistry } from '../shell/stepRegistry';
import { nextStepWords } from '../shell/stepWords';
import { Link } from '../primitives/Link';

interface HomeFacts {
  readonly questions: readonly Thing[];
  readonly byTheDoor: readonly {
    readonly room: Room;
    readonly boxCount: number;
    readonly litres: number;
    readonly massG: number;
  }[];
  /** Decided to leave, and not carried to the door yet. */
  readonly stillInRooms: Amount;
  readonly debts: readonly Carry[];
  readonly returns: readonly {
    readonly purchase: Purchase;
    readonly room: Room;
    readonly returnBy: string;
    readonly daysLeft: number;
    readonly pieces: number;
  }[];
  readonly money: { readonly spentMinor: number; readonly budgetMinor: number };
  readonly hours: {
    readonly workedMinutes: number;
    readonly likelyMinutes: number;
    readonly highMinutes: number;
  };
  readonly isAgreed: boolean;
  /** The visit that is planned next, or lasts. */
  readonly planned: Visit | undefined;
  readonly plannedSections: readonly Section[];
  readonly nextVisit: { readonly sections: readonly Section[]; readonly likelyMinutes: number };
  readonly visitsLeft: number;
  readonly latestStart: string | undefined;
  readonly doesFit: boolean;
}

interface HomeViewProps {
  readonly project: Project;
  readonly next: readonly NextInRoom<Room>[];
  readonly rooms: readonly Room[];
  readonly facts: HomeFacts;
  readonly conflicts: ConflictsProps['conflicts'];
  readonly onDecide: ConflictsProps['onDecide'];
}

const SHOWN = 8;

/** The first page of a home: what is next, what waits for somebody, what runs out. */
export function HomeView({ project, next, rooms, facts, conflicts, onDecide }: HomeViewProps) {
  const things = next.map(({ room, next: step }) => ({
    words: nextStepWords(step),
    where: `${room.name.toLowerCase()}, ${stepRegistry[step.step].name}`,
    href: stepHref({ projectId: project.id, roomId: room.id }, step.step),
  }));
  return (
    <>
      <h1 className="mb-3 text-[26px]">{project.name}</h1>
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
        <div className="grid gap-4">
          <Part title="Next" isMain>
            {rooms.length === 0 ? (
              <p>
                A home is taken room by room.{' '}
                <Link
                  className={buttonClass('main', 'ml-2')}
                  href={`/projects/${project.id}/rooms/new`}
                >
                  Add the first room
                </Link>
              </p>
            ) : (
              <>
                {things.length === 0 && (
                  <p>Nothing is missing in any room. When to look again stands under Look again.</p>
                )}
                <NextList next={things.slice(0, SHOWN)} />
                {things.length > SHOWN && (
                  <details>
                    <summary className="min-h-9 content-center text-[14px] text-rim max-md:min-h-12">
                      {things.length - SHOWN} more
                    </summary>
                    <NextList next={things.slice(SHOWN)} />
                  </details>
                )}
              </>
            )}
          </Part>
          <Part title="On this device">
            <TakenAlong projectId={project.id} />
          </Part>
        </div>
        <div className="grid gap-4">
          {conflicts.length > 0 && (
            <Part title="Said differently on two devices">
              <Conflicts conflicts={conflicts} onDecide={onDecide} />
            </Part>
          )}
          <Questions projectId={project.id} questions={facts.questions} rooms={rooms} />
          <Leaving projectId={project.id} facts={facts} />
          <Returns projectId={project.id} returns={facts.returns} currency={project.currency} />
        </div>
      </div>
    </>
  );
}

/** What lies in the tray of that page: the day that is next, and the sums against what is agreed. */
export const HomeTray = ({
  project,
  rooms,
  facts,
}: Pick<HomeViewProps, 'project' | 'rooms' | 'facts'>) => (
  <>
    <NextVisit project={project} facts={facts} rooms={rooms} />
    <Spent project={project} facts={facts} />
  </>
);

function Part({
  title,
  isMain,
  children,
}: {
  title: string;
  isMain?: boolean;
  children: ReactNode;
}) {
  return (
    <section aria-label={title} className={`panel p-4 ${isMain ? 'border-t-4 border-t-rim' : ''}`}>
      <h2 className="mb-1 text-[18px]">{title}</h2>
      {children}
    </section>
  );
}

const TrayPart = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title}>
    <h2 className="caption mb-1 font-text">{title}</h2>
    {children}
  </section>
);

const linkLook =
  'inline-block py-1 text-[14.5px] text-rim underline underline-offset-3 max-md:min-h-12 max-md:content-center';

function Questions({
  projectId,
  questions,
  rooms,
}: {
  projectId: string;
  questions: readonly Thing[];
  rooms: readonly Room[];
}) {
  if (questions.length === 0) return null;
  const roomName = (id: string) => rooms.find((room) => room.id === id)?.name.toLowerCase() ?? '';
  return (
    <Part title={`${formatCount(questions.length, 'question')} for the client`}>
      <ul className="text-[14.5px]">
        {questions.slice(0, 4).map((thing) => (
          <li key={thing.id}>
            {thing.count === 1 ? '' : `${thing.count} `}
            {thing.name} <span className="text-soft">{roomName(thing.roomId)}</span>
          </li>
        ))}
        {questions.length > 4 && <li className="text-soft">and {questions.length - 4} more</li>}
      </ul>
      <Link className={linkLook} href={stepHref({ projectId }, 'sort')}>
        Ask them
      </Link>
    </Part>
  );
}

function Leaving({ projectId, facts }: { projectId: string; facts: HomeFacts }) {
  const { byTheDoor, stillInRooms, debts } = facts;
  if (byTheDoor.length + debts.length === 0 && stillInRooms.count === 0) return null;
  return (
    <Part title="On its way out">
      <ul className="grid text-[14.5px]">
        {byTheDoor.map(({ room, boxCount, litres, massG }) => (
          <li key={room.id}>
            <Link
              className={linkLook}
              href={`${stepHref({ projectId, roomId: room.id }, 'sort')}/results`}
            >
              {formatCount(boxCount, 'box', 'boxes')} by the door, {room.name.toLowerCase()}
            </Link>{' '}
            <span className="font-mono text-[13.5px]">
              {formatLitres(litres)} · {formatMass(massG)}
            </span>
          </li>
        ))}
        {stillInRooms.count > 0 && (
          <li>
            {formatCount(stillInRooms.count, 'thing')} decided and still in the rooms,{' '}
            <span className="font-mono text-[13.5px]">{formatLitres(stillInRooms.litres)}</span>
          </li>
        )}
        {debts.map(({ id, note, dueOn }) => (
          <li key={id} className="text-signal-deep">
            Carried out unsorted: {note}
            {dueOn !== null && `, by ${formatDate(parseISO(dueOn), 'd MMM')}`}
          </li>
        ))}
      </ul>
      <Link className={linkLook} href={`${stepHref({ projectId }, 'sort')}/results`}>
        All that went out
      </Link>
    </Part>
  );
}

function Returns({
  projectId,
  returns,
  currency,
}: {
  projectId: string;
  returns: HomeFacts['returns'];
  currency: Currency;
}) {
  if (returns.length === 0) return null;
  return (
    <Part title="Can still go back">
      <ul className="grid text-[14.5px]">
        {returns.map(({ purchase, room, returnBy, daysLeft, pieces }) => (
          <li key={purchase.id}>
            <Link className={linkLook} href={stepHref({ projectId, roomId: room.id }, 'shop')}>
              {pieces} × {purchase.label}
            </Link>{' '}
            <span className="text-soft">
              {purchase.shopName}, until {formatDate(parseISO(returnBy), 'd MMM')}:{' '}
              {daysLeft === 0 ? 'today' : `${formatCount(daysLeft, 'day')} left`} ·{' '}
              {formatMoney(purchase.paidMinor, currency)}
            </span>
          </li>
        ))}
      </ul>
    </Part>
  );
}

function NextVisit({
  project,
  facts,
  rooms,
}: {
  project: Project;
  facts: HomeFacts;
  rooms: readonly Room[];
}) {
  const { nextVisit, visitsLeft, latestStart, doesFit, planned } = facts;
  const days = `${scopeBase({ projectId: project.id })}/days`;
  if (nextVisit.sections.length === 0 && !planned) return null;
  const sections =
    planned && facts.plannedSections.length > 0 ? facts.plannedSections : nextVisit.sections;
  return (
    <TrayPart title="The next visit">
      <Link className={linkLook} href={days}>
        {planned ? `${visitDayWords(planned.day)}, ${timesWords(planned)}` : 'Plan the days'}
      </Link>
      <ul className="text-[14.5px]">
        {sections.map((section) => (
          <li key={section.id}>
            {section.name}{' '}
            <span className="text-soft">
              {rooms.find(({ id }) => id === section.roomId)?.name.toLowerCase() ?? ''}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[14px] text-soft">
        {!planned && `about ${hoursWords(nextVisit.likelyMinutes)} · `}up to{' '}
        {formatCount(visitsLeft, 'visit')} left
        {latestStart !== undefined && `, the next by ${formatDate(parseISO(latestStart), 'd MMM')}`}
      </p>
      {!doesFit && <p className="warn mt-1">It does not fit before the day it has to be ready.</p>}
      <Link className={linkLook} href={stepHref({ projectId: project.id }, 'agree')}>
        Order of sections
      </Link>
    </TrayPart>
  );
}

function Spent({ project, facts }: { project: Project; facts: HomeFacts }) {
  const { money, hours, isAgreed } = facts;
  const base = scopeBase({ projectId: project.id });
  return (
    <TrayPart title={isAgreed ? 'Against what is agreed' : 'Money and hours, not agreed yet'}>
      <dl className="grid gap-3">
        <div className="border-t-[3px] border-rim pt-1.5">
          <dd className="font-mono text-[18px] font-[650]">
            {formatMoney(money.spentMinor, project.currency)}
          </dd>
          <dt className="text-[14px]">
            spent of {formatMoney(money.budgetMinor, project.currency)}{' '}
            <Link className={linkLook} href={`${base}/shop/money`}>
              Money
            </Link>
          </dt>
        </div>
        <div className="border-t-[3px] border-rim pt-1.5">
          <dd className="font-mono text-[18px] font-[650]">{hoursWords(hours.workedMinutes)}</dd>
          <dt className="text-[14px]">
            worked of about {hoursWords(hours.likelyMinutes)}, up to {hoursWords(hours.highMinutes)}{' '}
            <Link className={linkLook} href={`${base}/agree`}>
              Estimate
            </Link>
          </dt>
        </div>
      </dl>
    </TrayPart>
  );
}
