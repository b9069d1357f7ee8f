'use client';

import { formatDate } from '@/core/shared';
import { parseISO } from 'date-fns';

import type { FieldAct } from '@/core/field';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { commandName } from './fieldWords';

export interface ConflictsProps {
  readonly conflicts: readonly {
    readonly id: string;
    /** What both are about: a room, and what in it; empty where it says itself. */
    readonly about: string;
    readonly taken: FieldAct;
    readonly other: FieldAct;
  }[];
  readonly onDecide: (id: string, isOtherTaken: boolean) => Promise<ActionResult>;
}

/** What two devices said of the same, neither knowing of the other: both versions, and one press. */
export function Conflicts({ conflicts, onDecide }: ConflictsProps) {
  const { mutate, isPending } = useMutation();
  return (
    <ul className="divide-y divide-line text-[14.5px]">
      {conflicts.map(({ id, about, taken, other }) => (
        <li key={id} className="py-2.5">
          {about !== '' && <b className="block">{about}</b>}
          <Version label="Counts, the later one" act={taken} />
          <Version label="The other" act={other} />
          <span className="mt-1.5 flex flex-wrap gap-2">
            <Button
              className="min-h-12"
              disabled={isPending}
              onClick={() => void mutate(() => onDecide(id, false))}
            >
              Leave it so
            </Button>
            <Button
              className="min-h-12"
              disabled={isPending}
              onClick={() => void mutate(() => onDecide(id, true))}
            >
              Take the other
            </Button>
          </span>
        </li>
      ))}
    </ul>
  );
}

const Version = ({ label, act }: { readonly label: string; readonly act: FieldAct }) => (
  <span className="block pt-0.5">
    {label}: <b className="font-[620]">{commandName(act.command)}</b>
    <span className="block text-[13.5px] text-soft">
      {act.by}, {formatDate(parseISO(act.at), 'd MMMM, HH:mm')}
    </span>
  </span>
);
