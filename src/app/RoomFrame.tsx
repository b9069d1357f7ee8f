import type { ReactNode } from 'react';

import { undoAction } from '@/app/actions/projects';
import type { Step } from '@/core/desk';
import type { OpenRoom } from '@/server/desk/openRoom';
import { StepFrame } from '@/ui/shell/StepFrame';

interface RoomFrameProps {
  readonly step: Step;
  readonly opened: Omit<OpenRoom<never>, 'db'>;
  /** What the page lays in the tray, above what is next. */
  readonly tray?: ReactNode;
  readonly children: ReactNode;
}

/** A page of an opened room, in the frame of its step. */
export const RoomFrame = ({ step, opened, tray, children }: RoomFrameProps) => (
  <StepFrame
    step={step}
    project={opened.records.project}
    desk={opened.desk}
    room={opened.own.room}
    progress={opened.here.progress}
    undo={opened.undo}
    onUndo={undoAction}
    tray={tray}
  >
    {children}
  </StepFrame>
);
