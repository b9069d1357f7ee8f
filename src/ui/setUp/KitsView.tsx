'use client';

import { useState } from 'react';

import type { Person } from '@/core/agree';
import type { Kit } from '@/core/setUp';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { TickLine } from '../visits/Packing';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { kitFormSchema, toTypedKit, type KitTyped } from './cardForms';
import { MarkSign } from './PersonMarks';

export interface KitsViewProps {
  readonly kits: readonly Kit[];
  readonly people: readonly Person[];
  /** `%` stands for the kit's id. */
  readonly cardHref: string;
  readonly onKit: (id: string | undefined, typed: KitTyped) => Promise<ActionResult>;
  readonly onPack: (id: string, item: string | undefined) => Promise<ActionResult>;
  readonly onRemove: (id: string) => Promise<ActionResult>;
}

/** What is carried round together: a list each, checked off when it is packed. */
export function KitsView({ kits, people, cardHref, onKit, onPack, onRemove }: KitsViewProps) {
  const [changing, setChanging] = useState<Kit | 'new'>();
  const { mutate, isPending } = useMutation();
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[24px]">Kits carried round</h1>
          <p className="text-[14.5px]">
            A cleaning caddy, a baking bin, match day: what belongs in each, checked off when it is
            packed.
          </p>
        </div>
        <Button look="main" onClick={() => setChanging('new')}>
          Add a kit
        </Button>
      </div>
      {kits.length === 0 && <p className="panel p-4">No kit yet.</p>}
      <ul className="grid items-start gap-3 sm:grid-cols-2">
        {kits.map((kit) => {
          const owner = people.find(({ id }) => id === kit.personId);
          const packed = kit.items.filter(({ isPacked }) => isPacked).length;
          return (
            <li key={kit.id} className="panel p-4">
              <h2 className="flex items-center gap-2 text-[18px]">
                {owner?.mark && <MarkSign mark={owner.mark} label={owner.name} />}
                {kit.name}
              </h2>
              <p className="text-[14px] text-soft">
                {owner && `${owner.name} · `}
                {packed} of {kit.items.length} packed
              </p>
              <ul>
                {kit.items.map(({ name, isPacked }) => (
                  <li key={`${name} ${isPacked}`}>
                    <TickLine isTicked={isPacked} onTick={() => mutate(() => onPack(kit.id, name))}>
                      {name}
                    </TickLine>
                  </li>
                ))}
              </ul>
              <div className="mt-2 flex flex-wrap gap-2">
                {packed > 0 && (
                  <Button
                    disabled={isPending}
                    aria-label={`Unpack ${kit.name}`}
                    onClick={() => void mutate(() => onPack(kit.id, undefined))}
                  >
                    Unpack it
                  </Button>
                )}
                <a
                  className={buttonClass('quiet')}
                  href={cardHref.replace('%', kit.id)}
                  target="_blank"
                  aria-label={`List of ${kit.name}`}
                >
                  List to print
                </a>
                <Button onClick={() => setChanging(kit)} aria-label={`Change ${kit.name}`}>
                  Change
                </Button>
                <Button
                  disabled={isPending}
                  aria-label={`Remove ${kit.name}`}
                  onClick={() => void mutate(() => onRemove(kit.id), { offersUndo: true })}
                >
                  Remove
                </Button>
              </div>
            </li>
          );
        })}
      </ul>
      <Sheet
        title={changing === undefined || changing === 'new' ? 'A kit' : changing.name}
        isOpen={changing !== undefined}
        onOpenChange={() => setChanging(undefined)}
      >
        {changing !== undefined && (
          <KitForm
            kit={changing === 'new' ? undefined : changing}
            people={people}
            onSave={(typed) => onKit(changing === 'new' ? undefined : changing.id, typed)}
            onDone={() => setChanging(undefined)}
          />
        )}
      </Sheet>
    </div>
  );
}

function KitForm({
  kit,
  people,
  onSave,
  onDone,
}: {
  readonly kit: Kit | undefined;
  readonly people: readonly Person[];
  readonly onSave: (typed: KitTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}) {
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: kitFormSchema,
    start: toTypedKit(kit),
    save: onSave,
    onDone,
  });
  return (
    <form className="grid gap-3" noValidate onSubmit={submit}>
      <TextField label="It is called" isNeeded error={errors.name?.message} {...register('name')} />
      <SelectField label="Whose it is" {...register('personId')}>
        <option value="">everybody’s</option>
        {people.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </SelectField>
      <label className="grid text-[14px]">
        What belongs in it, one a line
        <textarea className="input min-h-[140px]" {...register('items')} />
      </label>
      <div>
        <Button type="submit" look="main" disabled={isSaving}>
          Keep
        </Button>
      </div>
    </form>
  );
}
