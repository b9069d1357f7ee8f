'use client';

import { parseISO } from 'date-fns';

import type { Project } from '@/core/agree';
import { formatCount, formatDate } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { Link } from '../primitives/Link';

interface ForgottenLine {
  readonly id: string;
  readonly begunOn: string;
  readonly forgottenAt: string;
  readonly roomCount: number;
  readonly pictureCount: number;
  readonly backups: readonly string[];
}
interface AwayHomesProps {
  readonly archived: readonly Project[];
  readonly forgotten: readonly ForgottenLine[];
  readonly onTakeBack: (projectId: string) => Promise<ActionResult>;
}

const dayWords = (day: string): string => formatDate(parseISO(day), 'd MMMM yyyy');

/** Homes that are not on the desk: put away, and such that were forgotten at the client's wish. */
export function AwayHomes({ archived, forgotten, onTakeBack }: AwayHomesProps) {
  const { mutate } = useMutation();
  const takeBack = (projectId: string) => mutate(() => onTakeBack(projectId));
  return (
    <div className="mx-auto grid max-w-[900px] gap-5">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-[26px]">Put away</h1>
        <Link href="/" className={buttonClass('plain')}>
          To the desk
        </Link>
      </div>
      <section className="panel border-t-4 border-t-rim">
        {archived.length === 0 && (
          <p className="p-4">
            No home is put away. Under Agree, “Put this home away” takes a finished one off the
            desk.
          </p>
        )}
        <ul className="divide-y divide-line">
          {archived.map((project) => (
            <li key={project.id} className="flex flex-wrap items-center gap-3 px-4 py-2.5">
              <Link
                href={`/projects/${project.id}`}
                className="min-w-0 flex-1 font-head text-[16px] font-[650] hover:underline"
              >
                {project.name}
              </Link>
              <span className="text-[14px] text-soft">
                since {dayWords(project.archivedAt ?? project.createdAt)}
              </span>
              <Button look="plain" onClick={() => void takeBack(project.id)}>
                Take back to the desk
              </Button>
            </li>
          ))}
        </ul>
      </section>
      {forgotten.length > 0 && (
        <section>
          <h2 className="mb-2 text-[19px]">Forgotten at the client’s wish</h2>
          <ul className="grid gap-2 text-[14.5px]">
            {forgotten.map((home) => (
              <li key={home.id} className="panel px-4 py-2.5">
                A home begun on {dayWords(home.begunOn)}, {formatCount(home.roomCount, 'room')},{' '}
                {formatCount(home.pictureCount, 'picture')}: forgotten on{' '}
                {dayWords(home.forgottenAt)}.
                <span className="block text-soft">
                  {home.backups.length === 0
                    ? 'No backup beside the data holds it any more.'
                    : `${formatCount(home.backups.length, 'backup')} beside the data still ` +
                      `${home.backups.length === 1 ? 'holds' : 'hold'} it, the latest of ` +
                      `${dayWords(home.backups[0] ?? home.forgottenAt)}. They go as newer ones are made; delete ` +
                      'them by hand where it may not wait. Copies elsewhere are yours to find.'}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
