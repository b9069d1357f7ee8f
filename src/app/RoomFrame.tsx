import type { ReactNode } from 'react';

import { decideConflictAction } from '@/app/actions/field';
import { undoAction } from '@/app/actions/projects';
import type { Step } from '@/core/desk';
import type { OpenHome, OpenRoom } from '@/server/desk/openRoom';
import { ScopeFrame } from '@/ui/shell/ScopeFrame';

interface RoomFrameProps {
  readonly step: Step;
  readonly opened: Omit<OpenRoom<never>, 'db'>;
  /** What the page lays in the tray, above what is next. */
  readonly tray?: ReactNode;
  readonly children: ReactNode;
}

/** A page of an opened room, in the frame of its step. */
export const RoomFrame = ({ opened, ...page }: RoomFrameProps) => (
  <ScopeFrame
    project={opened.records.project}
    desk={opened.desk}
    roomId={opened.own.room.id}
    undo={opened.undo}
    onUndo={undoAction}
    conflicts={opened.conflicts.filter(
      ({ step, roomId }) =>
        step === page.step && (roomId === undefined || roomId === opened.own.room.id),
    )}
    onDecide={decideConflictAction.bind(null, opened.records.project.id)}
    {...page}
  />
);

interface HomeFrameProps extends Omit<RoomFrameProps, 'step' | 'opened'> {
  /** Undefined: the home's first page. */
  readonly step: Step | undefined;
  readonly opened: Omit<OpenHome<never>, 'db'>;
}

/** A page of an opened home, in the frame of its step. */
export const HomeFrame = ({ opened, ...page }: HomeFrameProps) => (
  <ScopeFrame
    project={opened.records.project}
    desk={opened.desk}
    roomId={undefined}
    undo={opened.undo}
    onUndo={undoAction}
    conflicts={
      page.step === undefined ? [] : opened.conflicts.filter(({ step }) => step === page.step)
    }
    onDecide={decideConflictAction.bind(null, opened.records.project.id)}
    {...page}
  />
);
