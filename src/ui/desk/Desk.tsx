import type { ComponentProps } from 'react';

import type { Project } from '@/core/agree';
import { workSteps, type RoomProgress } from '@/core/desk';
import type { Room } from '@/core/look';
import { formatCount, formatMoney, formatDate } from '@/core/shared';
import { dayWords } from '../home/homeWords';
import { buttonClass } from '../primitives/Button';
import { stepRegistry } from '../shell/stepRegistry';
import { nextStepWords, readyWords } from '../shell/stepWords';
import { BackupNote, type BackupNoteProps } from './BackupNote';
import { ImportProject } from './ImportProject';
import { Week } from './Week';
import { Link } from '../primitives/Link';

interface DeskProject {
  readonly project: Project;
  readonly rooms: readonly {
    readonly room: Pick<Room, 'id' | 'name'>;
    readonly progress: RoomProgress;
  }[];
  readonly spentMinor: number;
  readonly leftCount: number;
  readonly waitingCount: number;
  readonly debts: readonly { readonly note: string; readonly dueOn: string | null }[];
}

/** All projects, the going ones first, each with what is next in its rooms. */
export function Desk({
  projects,
  awayCount,
  backups,
  week,
}: {
  readonly projects: readonly DeskProject[];
  /** Homes that were put away, and such that were forgotten. */
  readonly awayCount: number;
  readonly backups: BackupNoteProps;
  readonly week: ComponentProps<typeof Week>;
}) {
  return (
    <div className="mx-auto max-w-[1180px]">
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[26px]">{formatDate(new Date(), 'EEEE, d MMMM')}</h1>
        <div className="flex flex-wrap gap-2">
          <Link href="/devices" className={buttonClass('plain')}>
            Devices
          </Link>
          <Link href="/destinations" className={buttonClass('plain')}>
            Destinations
          </Link>
          <Link href="/learnt" className={buttonClass('plain')}>
            What was learnt
          </Link>
          <Link href="/kinds" className={buttonClass('plain')}>
            Typical sizes
          </Link>
          <Link href="/containers" className={buttonClass('plain')}>
            Containers and prices
          </Link>
          <ImportProject />
          <Link href="/projects/new" className={buttonClass('main')}>
            Start a project
          </Link>
        </div>
      </div>
      {projects.length > 0 && <Week {...week} />}
      {projects.length === 0 && (
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
          A project is one home: who lives there, its rooms, and a date. Start one with “Start a
          project”, or bring one in from a file.
        </p>
      )}
      <ul className="grid gap-4">
        {projects.map((entry) => (
          <ProjectCard key={entry.project.id} {...entry} />
        ))}
      </ul>
      <footer className="mt-5 flex flex-wrap items-start justify-between gap-x-6 gap-y-2 text-[14px]">
        <BackupNote {...backups} />
        {awayCount > 0 && (
          <Link
            href="/away"
            className="flex min-h-9 items-center text-rim underline underline-offset-3 max-md:min-h-12"
          >
            {formatCount(awayCount, 'home')} put away or forgotten
          </Link>
        )}
      </footer>
    </div>
  );
}

function ProjectCard({ project, rooms, spentMinor, leftCount, waitingCount, debts }: DeskProject) {
  return (
    <li className="panel overflow-hidden border-t-4 border-t-rim">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 px-4 pt-3 pb-2.5">
        <h2 className="text-[20px]">
          <Link href={`/projects/${project.id}`} className="hover:underline">
            {project.name}
          </Link>
        </h2>
        <p className="text-[14px] text-soft">
          {readyWords(project)} · {formatCount(leftCount, 'thing')} gone
          {waitingCount > 0 && `, ${waitingCount} waiting to leave`} ·{' '}
          {formatMoney(spentMinor, project.currency)} spent of{' '}
          {formatMoney(project.budgetMinor, project.currency)}
        </p>
      </div>
      {debts.length > 0 && (
        <p className="warn mx-4 mb-2">
          <b>Out unsorted:</b>{' '}
          {debts
            .map(({ note, dueOn }) => (dueOn === null ? note : `${note}, by ${dayWords(dueOn)}`))
            .join('; ')}
        </p>
      )}
      {rooms.length === 0 && (
        <p className="border-t border-line px-4 py-3">
          <Link className="text-rim underline" href={`/projects/${project.id}/rooms/new`}>
            Add the first room
          </Link>
        </p>
      )}
      <ul className="grid border-t border-line sm:grid-cols-2 lg:grid-cols-3">
        {rooms.map((entry) => (
          <RoomTile key={entry.room.id} projectId={project.id} {...entry} />
        ))}
      </ul>
    </li>
  );
}

function RoomTile({
  projectId,
  room,
  progress,
}: {
  projectId: string;
  room: Pick<Room, 'id' | 'name'>;
  progress: RoomProgress;
}) {
  const next = progress.next[0];
  const href = `/projects/${projectId}/rooms/${room.id}/${next?.step ?? 'show'}`;
  return (
    <li className="-mr-px -mb-px border-r border-b border-line">
      <Link href={href} className="block h-full px-4 py-3 hover:bg-white">
        <span className="flex items-baseline justify-between gap-3">
          <b className="font-head text-[15.5px] font-[650]">{room.name}</b>
          <span className="text-[13px] whitespace-nowrap text-soft">
            {progress.doneSteps.length} of {workSteps.length} steps
          </span>
        </span>
        <span aria-hidden="true" className="mt-1.5 mb-2 block h-1 rounded-sm bg-well">
          <i
            className="block h-1 rounded-sm bg-rim/75"
            style={{ width: `${progress.doneRatio * 100}%` }}
          />
        </span>
        <span className="block text-[14px] leading-snug">
          {next ? (
            <>
              <span className="text-soft">{stepRegistry[next.step].name}:</span>{' '}
              {nextStepWords(next)}
            </>
          ) : (
            'Done. When to look again stands under Look again.'
          )}
        </span>
      </Link>
    </li>
  );
}
