'use client';

import { parseISO } from 'date-fns';
import { useState } from 'react';

import { formatCount, formatLitres, formatMass, formatDate } from '@/core/shared';
import type { Carry } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { Cautions } from './Cautions';
import { goingOutFormSchema } from './goingOutForm';
import { sayBox, type WentOut } from './sortWords';

interface Deeds {
  readonly onSay: (
    carryId: string,
    typed: { readonly goneOn: string; readonly goneBy: string; readonly note: string },
  ) => Promise<ActionResult>;
  readonly onTakeBack: (carryId: string) => Promise<ActionResult>;
}
interface GoingOutProps extends Deeds {
  readonly wentOut: readonly WentOut[];
}

const day = (instant: string): string => formatDate(parseISO(instant), 'd MMM, HH:mm');

/** Every box that went out: by the door, or out of the home; when, by whom, and what is in it. */
export function GoingOut({ wentOut, onSay, onTakeBack }: GoingOutProps) {
  const [shown, setShown] = useState<WentOut>();
  const { mutate, isPending } = useMutation();
  if (wentOut.length === 0)
    return (
      <p className="text-[14.5px] text-soft">
        No box has gone to the door yet. At the bench, under the verdicts, each box can go out at
        any fill.
      </p>
    );
  const leave = ({ carry }: WentOut) =>
    void mutate(() =>
      onSay(carry.id, { goneOn: new Date().toISOString(), goneBy: '', note: carry.note }),
    );
  return (
    <>
      <ul className="panel divide-y divide-line px-4">
        {wentOut.map((one) => (
          <li key={one.carry.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
            <span className="min-w-0 flex-1 basis-[260px]">
              <b>{sayCarried(one.carry)}</b>, {formatCount(one.names.length, 'pile')},{' '}
              {formatLitres(one.carry.litres)}, {formatMass(one.carry.massG)}
              <span className="block text-[14px] text-soft">{sayWhere(one.carry)}</span>
              {one.carry.goneAt === null && <Cautions codes={one.cautions} />}
            </span>
            {one.carry.goneAt === null && (
              <Button disabled={isPending} onClick={() => leave(one)}>
                It has left
              </Button>
            )}
            <Button look="quiet" onClick={() => setShown(one)}>
              See, correct
            </Button>
          </li>
        ))}
      </ul>
      {shown && (
        <GoingOutSheet
          key={shown.carry.id}
          {...shown}
          onSay={onSay}
          onTakeBack={onTakeBack}
          onDone={() => setShown(undefined)}
        />
      )}
    </>
  );
}

const sayCarried = ({ verdict, toward }: Carry): string =>
  verdict === null ? 'Unsorted' : sayBox({ verdict, toward });
function sayWhere({ goneAt, goneBy, carriedAt, note }: Carry): string {
  const where =
    goneAt === null
      ? `by the door since ${day(carriedAt)}`
      : `left the home ${day(goneAt)}${goneBy === '' ? '' : `, with ${goneBy}`}`;
  return note === '' ? where : `${where}; ${note}`;
}

function GoingOutSheet({
  carry,
  names,
  onSay,
  onTakeBack,
  onDone,
}: WentOut & Deeds & { readonly onDone: () => void }) {
  const { mutate, isPending } = useMutation();
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: goingOutFormSchema,
    start: {
      goneOn: carry.goneAt === null ? '' : formatDate(parseISO(carry.goneAt), "yyyy-MM-dd'T'HH:mm"),
      goneBy: carry.goneBy,
      note: carry.note,
    },
    save: (typed) =>
      onSay(carry.id, {
        ...typed,
        // The field speaks of this place's clock.
        goneOn: typed.goneOn === '' ? '' : new Date(typed.goneOn).toISOString(),
      }),
    onDone,
  });
  return (
    <Sheet isOpen onOpenChange={onDone} title={`${sayCarried(carry)}, what went out`}>
      <form className="grid gap-3 sm:grid-cols-2" noValidate onSubmit={submit}>
        <TextField
          label="Left the home on (empty: still by the door)"
          type="datetime-local"
          error={errors.goneOn?.message}
          {...register('goneOn')}
        />
        <TextField
          label="Taken by"
          placeholder="e.g. the client, the charity’s van"
          error={errors.goneBy?.message}
          {...register('goneBy')}
        />
        <TextField
          label="Note"
          className="sm:col-span-2"
          error={errors.note?.message}
          {...register('note')}
        />
        <ul className="max-h-40 overflow-auto text-[14.5px] sm:col-span-2">
          {names.map((name) => (
            <li key={name}>{name}</li>
          ))}
        </ul>
        <div className="flex flex-wrap gap-2 sm:col-span-2">
          <Button type="submit" look="main" disabled={isSaving}>
            Keep this
          </Button>
          <Button
            disabled={isPending}
            onClick={() => void mutate(() => onTakeBack(carry.id)).then(({ ok }) => ok && onDone())}
          >
            It did not go out
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
