'use client';

import type { CheckAnswer, RoutineBreak } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { RoomChecks } from '../look/RoomChecks';
import { RoutineBreaks } from '../look/RoutineBreaks';

interface EndChecksProps {
  readonly answers: readonly CheckAnswer[];
  readonly breaks: readonly RoutineBreak[];
  readonly measureUnit: LengthUnit;
  readonly onSaveBreaks: (breaks: readonly RoutineBreak[]) => Promise<ActionResult>;
}

/** Once a session has ended: is possible again what the room is for, and do its routines hold? */
export function EndChecks({ answers, breaks, measureUnit, onSaveBreaks }: EndChecksProps) {
  if (answers.length + breaks.length === 0) return null;
  return (
    <details className="basis-full">
      <summary className="min-h-9 content-center font-[650] text-rim max-md:min-h-12">
        Before you go: is it possible here again?
      </summary>
      <div className="grid gap-3 py-2 lg:grid-cols-2">
        {answers.length > 0 && (
          <RoomChecks
            answers={answers}
            tables={[]}
            measureUnit={measureUnit}
            onSave={undefined}
            onRemove={undefined}
            isAsking
          />
        )}
        {breaks.length > 0 && <RoutineBreaks breaks={breaks} onSave={onSaveBreaks} isAsking />}
      </div>
    </details>
  );
}
