import type { ReactNode } from 'react';

import type { Project } from '@/core/agree';
import { homeDoneRatio, rankNext, steps, type RoomProgress, type Step } from '@/core/desk';
import type { KeptDeed } from '@/core/home';
import type { Room } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { ConflictsHere, type ConflictsProps } from '../field/ConflictsHere';
import { Dividers, type DividerStep } from './Dividers';
import { Frame } from './Frame';
import { KeptStatus } from './KeptStatus';
import { Lid } from './Lid';
import { NextThings, type NextThing } from './NextThings';
import { PhoneBar, type PhonePlace } from './PhoneBar';
import { scopeBase, stepHref, type Scope } from './scope';
import { StepKeys } from './StepKeys';
import { stepRegistry } from './stepRegistry';
import { homeStepStatus, nextStepWords, readyWords, stepStatus } from './stepWords';
import { UndoBar } from './UndoBar';

interface ScopeFrameProps {
  readonly project: Project;
  readonly desk: readonly { readonly room: Room; readonly progress: RoomProgress }[];
  /** Which room; undefined: the home. */
  readonly roomId: string | undefined;
  /** Which step; undefined: the home's first page. */
  readonly step: Step | undefined;
  readonly undo: { readonly undo: KeptDeed | undefined; readonly redo: KeptDeed | undefined };
  readonly onUndo: (projectId: string, way: 'undo' | 'redo') => Promise<ActionResult<KeptDeed>>;
  /** What devices said differently of what this page is about. */
  readonly conflicts?: ConflictsProps['conflicts'];
  readonly onDecide?: ConflictsProps['onDecide'];
  /** What this page lays in the tray, above what is next. */
  readonly tray?: ReactNode;
  readonly children: ReactNode;
}

/** One page in its frame: of the home or of one of its rooms, at one step of the job. */
export function ScopeFrame(props: ScopeFrameProps) {
  const {
    project,
    desk,
    roomId,
    step,
    undo,
    onUndo,
    conflicts = [],
    onDecide,
    tray,
    children,
  } = props;
  const here: Scope = { projectId: project.id, roomId };
  const places = placesOf(props);
  const dividers = dividersOf(props);
  const active = places.findIndex((place) => place.id === (roomId ?? 'home'));
  // On the bench digits are reasons, and Z takes a decision back.
  const isBench = step === 'sort' && roomId !== undefined;
  return (
    <Frame
      lid={
        <Lid
          projectId={project.id}
          homeName={project.name}
          homeNote={readyWords(project)}
          scopes={places}
          activeId={roomId ?? 'home'}
          addRoomHref={`/projects/${project.id}/rooms/new`}
        >
          <KeptStatus rooms={desk.map(({ room: { id, name } }) => ({ id, name }))} />
        </Lid>
      }
      dividers={
        <>
          <Dividers steps={dividers} activeStep={step} />
          <PhoneBar
            places={places}
            activeId={roomId ?? 'home'}
            steps={dividers}
            activeStep={step}
            addRoomHref={`/projects/${project.id}/rooms/new`}
          />
        </>
      }
      trayOnPhone={isBench ? 'below' : 'slides'}
      tray={
        <>
          {tray}
          {step !== undefined && (
            <NextThings
              next={nextOf(props)}
              title={roomId === undefined ? 'Next in this home' : 'Next in this room'}
            />
          )}
          <div className="mt-auto">
            {!isBench && <UndoBar projectId={project.id} {...undo} onMove={onUndo} />}
          </div>
        </>
      }
    >
      <StepKeys
        stepHrefs={isBench ? [] : steps.map((other) => stepHref(here, other))}
        homeHref={isBench ? undefined : scopeBase({ projectId: project.id })}
        previousHref={places[active - 1]?.href}
        nextHref={places[active + 1]?.href}
      />
      {onDecide && <ConflictsHere conflicts={conflicts} onDecide={onDecide} />}
      {children}
    </Frame>
  );
}

/** The home and its rooms, each at the step that is open now, or where it goes on. */
function placesOf({ project, desk, step }: ScopeFrameProps): PhonePlace[] {
  const scope = { projectId: project.id };
  const first = rankNext(desk)[0];
  return [
    {
      id: 'home',
      name: 'The home',
      href: step === undefined ? scopeBase(scope) : stepHref(scope, step),
      doneRatio: homeDoneRatio(desk),
      nextWords: first ? `${nextStepWords(first.next)}, ${first.room.name.toLowerCase()}` : '',
    },
    ...desk.map(({ room, progress }) => {
      const next = progress.next[0];
      return {
        id: room.id as string,
        name: room.name,
        href: stepHref({ ...scope, roomId: room.id }, step ?? next?.step ?? 'show'),
        doneRatio: progress.doneRatio,
        nextWords: next ? nextStepWords(next) : 'Nothing is missing',
      };
    }),
  ];
}

function dividersOf({ project, desk, roomId }: ScopeFrameProps): DividerStep[] {
  const scope = { projectId: project.id, roomId };
  const progress = desk.find(({ room }) => room.id === roomId)?.progress;
  return steps.map((step) => ({
    step,
    name: stepRegistry[step].name,
    href: stepHref(scope, step),
    ...(progress ? stepStatus(step, progress) : homeStepStatus(step, desk)),
  }));
}

function nextOf({ project, desk, roomId }: ScopeFrameProps): NextThing[] {
  const own = desk.filter(({ room }) => roomId === undefined || room.id === roomId);
  const ranked =
    roomId === undefined
      ? rankNext(own)
      : own.flatMap(({ room, progress }) => progress.next.map((next) => ({ room, next })));
  return ranked.map(({ room, next }) => ({
    words: nextStepWords(next),
    where:
      roomId === undefined
        ? `${room.name.toLowerCase()}, ${stepRegistry[next.step].name}`
        : `in ${stepRegistry[next.step].name}`,
    href: stepHref({ projectId: project.id, roomId: room.id }, next.step),
  }));
}
