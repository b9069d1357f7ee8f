import type { ReactNode } from 'react';

import { steps, type RoomProgress, type Step } from '@/core/desk';
import type { Project } from '@/core/agree';
import type { Room } from '@/core/look';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';

import type { KeptDeed } from '@/core/home';
import type { ActionResult } from '../actionResult';
import { Dividers } from './Dividers';
import { Frame } from './Frame';
import { KeptStatus } from './KeptStatus';
import { Lid } from './Lid';
import { NextThings } from './NextThings';
import { StepKeys } from './StepKeys';
import { UndoBar } from './UndoBar';
import { formatCount } from '@/core/shared';

interface StepFrameProps {
  readonly step: Step;
  readonly project: Project;
  readonly desk: readonly { readonly room: Room; readonly progress: RoomProgress }[];
  readonly room: Room;
  readonly progress: RoomProgress;
  readonly undo: { readonly undo: KeptDeed | undefined; readonly redo: KeptDeed | undefined };
  readonly onUndo: (projectId: string, way: 'undo' | 'redo') => Promise<ActionResult<KeptDeed>>;
  /** What this step lays in the tray, above what is next. */
  readonly tray?: ReactNode;
  readonly children: ReactNode;
}

/** One step of one room, in its frame. */
export function StepFrame({
  step,
  project,
  desk,
  room,
  progress,
  undo,
  onUndo,
  tray,
  children,
}: StepFrameProps) {
  const baseOf = (roomId: string) => `/projects/${project.id}/rooms/${roomId}`;
  const index = desk.findIndex((entry) => entry.room.id === room.id);
  const beside = (offset: number) => {
    const other = desk[index + offset];
    return other && `${baseOf(other.room.id)}/${step}`;
  };
  // On the bench digits are reasons, and Z takes a decision back.
  const isBench = step === 'sort';
  return (
    <Frame
      lid={
        <Lid
          projectId={project.id}
          homeName={project.name}
          homeNote={readyWords(project)}
          activeRoomId={room.id}
          addRoomHref={`/projects/${project.id}/rooms/new`}
          rooms={desk.map((entry) => ({
            id: entry.room.id,
            name: entry.room.name,
            href: `${baseOf(entry.room.id)}/${step}`,
            doneRatio: entry.progress.doneRatio,
          }))}
        >
          <KeptStatus />
        </Lid>
      }
      dividers={<Dividers base={baseOf(room.id)} activeStep={step} progress={progress} />}
      trayOnPhone={isBench ? 'below' : 'slides'}
      tray={
        <>
          {tray}
          <NextThings next={progress.next} base={baseOf(room.id)} />
          <div className="mt-auto">
            {!isBench && <UndoBar projectId={project.id} {...undo} onMove={onUndo} />}
          </div>
        </>
      }
    >
      <StepKeys
        stepHrefs={isBench ? [] : steps.map((other) => `${baseOf(room.id)}/${other}`)}
        previousRoomHref={beside(-1)}
        nextRoomHref={beside(1)}
      />
      {children}
    </Frame>
  );
}

/** "ready by 12 Dec · 18 days", counted from today. */
export function readyWords(
  { readyBy, status }: Pick<Project, 'readyBy' | 'status'>,
  today = new Date(),
): string {
  if (status === 'finished') return 'finished';
  if (readyBy === null) return 'no date set';
  const days = differenceInCalendarDays(parseISO(readyBy), today);
  return `ready by ${format(parseISO(readyBy), 'd MMM')} · ${daysLeftWords(days)}`;
}

function daysLeftWords(days: number): string {
  if (days > 1) return `${days} days`;
  if (days === 1) return 'tomorrow';
  return days === 0 ? 'today' : `${formatCount(-days, 'day')} over`;
}
