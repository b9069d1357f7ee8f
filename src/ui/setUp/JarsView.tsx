'use client';

import { useState } from 'react';

import { decant, type Jar } from '@/core/setUp';
import type { Bay } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { useFieldAct, useRoomId } from '../field/useFieldAct';
import { Waits } from '../field/Waits';
import { Button, buttonClass } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { jarFormSchema, toTypedJar, type JarTyped } from './cardForms';
import { dayShort, decantWords } from './cardWords';

export interface JarsViewProps {
  readonly roomName: string;
  readonly jars: readonly Jar[];
  /** Places with a liner, and the day on which it was last changed. */
  readonly liners: readonly {
    readonly bay: Pick<Bay, 'id' | 'name'>;
    readonly changedOn: string | null;
  }[];
  readonly today: string;
  readonly slipsHref: string;
  readonly datesHref: string;
  readonly onJar: (id: string | undefined, typed: JarTyped) => Promise<ActionResult>;
  readonly onRemove: (id: string) => Promise<ActionResult>;
}

/** What is taken out of its pack: what the jar takes, its dates, how it is cooked; and washable liners. */
export function JarsView(props: JarsViewProps) {
  const { roomName, jars, liners, today, onJar, onRemove } = props;
  const [changing, setChanging] = useState<Jar | 'new'>();
  const { mutate } = useMutation();
  const { act, isPending } = useFieldAct();
  const roomId = useRoomId();
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-[24px]">Jars and dates, {roomName.toLowerCase()}</h1>
        <div className="flex flex-wrap gap-2">
          <Button look="main" onClick={() => setChanging('new')}>
            Add a jar
          </Button>
          {jars.length > 0 && (
            <a className={buttonClass('quiet')} href={props.slipsHref} target="_blank">
              Print slips
            </a>
          )}
          <a className={buttonClass('quiet')} href={props.datesHref} target="_blank">
            Dates card
          </a>
        </div>
      </div>
      {jars.length === 0 && (
        <p className="panel p-4">
          Nothing is taken out of its pack yet. Say what goes into which jar: it tells whether the
          pack goes in whole, and prints the slips.
        </p>
      )}
      <ul className="grid gap-3 sm:grid-cols-2">
        {jars.map((jar) => {
          const decanted = decant(jar);
          return (
            <li key={jar.id} className="panel p-4">
              <h2 className="text-[17px]">{jar.product}</h2>
              <p className={decanted.fits === 'not' ? 'warn' : 'text-[14.5px]'}>
                {decantWords(jar, decanted)}
              </p>
              <p className="text-[14px] text-soft">
                {jar.filledOn === null ? 'not filled yet' : `filled ${dayShort(jar.filledOn)}`}
                {jar.expiresOn !== null && `, use by ${dayShort(jar.expiresOn)}`}
                {jar.expiresOn !== null && jar.expiresOn < today && ': out of date'}
              </p>
              {jar.directions !== '' && <p className="mt-1 text-[14.5px]">{jar.directions}</p>}
              <div className="mt-2 flex gap-2">
                <Button onClick={() => setChanging(jar)} aria-label={`Change ${jar.product}`}>
                  Change
                </Button>
                <Button
                  disabled={isPending}
                  aria-label={`Remove ${jar.product}`}
                  onClick={() => void mutate(() => onRemove(jar.id), { offersUndo: true })}
                >
                  Remove
                </Button>
              </div>
            </li>
          );
        })}
      </ul>
      {liners.length > 0 && (
        <section aria-label="Liners" className="panel p-4">
          <h2 className="text-[17px]">Liners</h2>
          <ul className="divide-y divide-line">
            {liners.map(({ bay, changedOn }) => (
              <li key={bay.id} className="flex flex-wrap items-center gap-3 py-1.5 text-[14.5px]">
                <span className="min-w-[160px]">{bay.name}</span>
                <span className="flex-1 text-soft">
                  {changedOn === null ? 'no day noted' : `changed ${dayShort(changedOn)}`}
                  <Waits of={(each) => each.kind === 'liner_changed' && each.bayId === bay.id} />
                </span>
                <Button
                  disabled={isPending}
                  aria-label={`Changed today: ${bay.name}`}
                  onClick={() =>
                    void act({ kind: 'liner_changed', roomId, bayId: bay.id, changedOn: today })
                  }
                >
                  Changed today
                </Button>
              </li>
            ))}
          </ul>
          <p className="text-[13.5px] text-soft">
            The desk says it again after 60 days, an assumption.
          </p>
        </section>
      )}
      <Sheet
        title={changing === undefined || changing === 'new' ? 'A jar' : changing.product}
        isOpen={changing !== undefined}
        onOpenChange={() => setChanging(undefined)}
      >
        {changing !== undefined && (
          <JarForm
            jar={changing === 'new' ? undefined : changing}
            onSave={(typed) => onJar(changing === 'new' ? undefined : changing.id, typed)}
            onDone={() => setChanging(undefined)}
          />
        )}
      </Sheet>
    </div>
  );
}

function JarForm({
  jar,
  onSave,
  onDone,
}: {
  readonly jar: Jar | undefined;
  readonly onSave: (typed: JarTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: jarFormSchema,
    start: toTypedJar(jar),
    save: onSave,
    onDone,
  });
  return (
    <form className="grid gap-3" noValidate onSubmit={submit}>
      <TextField
        label="What is in it"
        isNeeded
        error={errors.product?.message}
        {...register('product')}
      />
      <div className="flex flex-wrap gap-3">
        <TextField
          label="The pack says"
          isNeeded
          hint="e.g. 1 kg or 750 ml"
          className="w-[180px]"
          error={errors.pack?.message}
          {...register('pack')}
        />
        <TextField
          label="The jar takes, litres"
          isNeeded
          measure
          inputMode="decimal"
          className="w-[180px]"
          error={errors.jarLitres?.message}
          {...register('jarLitres')}
        />
      </div>
      <div className="flex flex-wrap gap-3">
        <TextField
          label="Filled on"
          type="date"
          error={errors.filledOn?.message}
          {...register('filledOn')}
        />
        <TextField
          label="Use by"
          type="date"
          error={errors.expiresOn?.message}
          {...register('expiresOn')}
        />
      </div>
      <TextField
        label="Directions, as the pack has them"
        error={errors.directions?.message}
        {...register('directions')}
      />
      <div>
        <Button type="submit" look="main" disabled={isSaving}>
          Keep
        </Button>
      </div>
    </form>
  );
}
