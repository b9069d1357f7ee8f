'use client';

import { formatDistanceToNow } from 'date-fns';
import { useState } from 'react';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';

interface Schedule {
  readonly every: 'day' | 'week' | 'never';
  readonly keep: number;
}
export interface BackupNoteProps {
  readonly schedule: Schedule;
  /** Undefined where backups by themselves are switched off for this server. */
  readonly folder: string | undefined;
  readonly lastAt: string | null;
  readonly lastProblem: string;
  /** Whether there is something to lose. */
  readonly hasWork: boolean;
  readonly onSave: (schedule: Schedule) => Promise<ActionResult>;
  readonly onBackUp: () => Promise<ActionResult>;
}

const EVERY_WORDS: Readonly<Record<Schedule['every'], string>> = {
  day: 'every day',
  week: 'every week',
  never: 'only when asked',
};

/** When the last backup was made, and when the next one is. */
export function BackupNote(props: BackupNoteProps) {
  const { lastAt, lastProblem, hasWork, schedule, folder } = props;
  const [isOpen, setIsOpen] = useState(false);
  const isOff = folder === undefined || schedule.every === 'never';
  const isMissing = hasWork && (lastProblem !== '' || (lastAt === null && !isOff));
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className={isMissing ? 'font-[650] text-signal-deep' : 'text-soft'}>
        <LastBackup lastAt={lastAt} hasWork={hasWork} />
        {lastProblem !== '' && ` The last try failed: ${lastProblem}`}
      </span>
      <button
        type="button"
        className="min-h-9 text-rim underline underline-offset-3 max-md:min-h-12"
        onClick={() => setIsOpen(true)}
      >
        Backups: {folder === undefined ? 'switched off here' : EVERY_WORDS[schedule.every]}
      </button>
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="Backups">
        <BackupForm {...props} />
      </Sheet>
    </div>
  );
}

function LastBackup({ lastAt, hasWork }: Pick<BackupNoteProps, 'lastAt' | 'hasWork'>) {
  if (lastAt === null) return <>{hasWork ? 'Never backed up.' : 'Nothing to back up yet.'}</>;
  return (
    // By the clock of whoever reads it: the server's words and the browser's may differ by a minute.
    <span suppressHydrationWarning>
      Last backup {formatDistanceToNow(new Date(lastAt), { addSuffix: true })}.
    </span>
  );
}

function BackupForm({ schedule, folder, onSave, onBackUp }: BackupNoteProps) {
  const { mutate, isPending: isBusy } = useMutation();
  const [typed, setTyped] = useState({ every: schedule.every, keep: String(schedule.keep) });
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void mutate(() => onSave({ every: typed.every, keep: Number(typed.keep) }), {
          done: 'Kept.',
        });
      }}
    >
      <p className="text-[14.5px]">
        A backup is a copy of all homes with their pictures, made while you work and read again
        before it counts.{' '}
        {folder === undefined
          ? 'Here none is made by itself; “Back up now” makes one beside the data folder.'
          : 'It lies beside the data folder on this machine; copy it to another disk from time to time.'}
      </p>
      {folder !== undefined && <p className="font-mono text-[13px] break-all">{folder}</p>}
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField
          label="How often"
          value={typed.every}
          onChange={(event) =>
            setTyped({ ...typed, every: event.target.value as Schedule['every'] })
          }
        >
          {Object.entries(EVERY_WORDS).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </SelectField>
        <TextField
          type="number"
          label="How many are kept"
          min={1}
          max={90}
          value={typed.keep}
          onChange={(event) => setTyped({ ...typed, keep: event.target.value })}
        />
      </div>
      <p role="status" className="min-h-6 text-[14px]">
        {isBusy ? 'Working …' : ''}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="main" disabled={isBusy}>
          Keep
        </Button>
        <Button
          look="plain"
          disabled={isBusy}
          onClick={() => void mutate(() => onBackUp(), { done: 'Backed up and read again.' })}
        >
          Back up now
        </Button>
      </div>
    </form>
  );
}
