'use client';

import { useWatch } from 'react-hook-form';

import type { ContentKind } from '@/core/agree';
import type { SectionId } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { CheckField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useTypedForm } from '../useTypedForm';
import { visitFormSchema, type VisitTyped } from './visitForm';

export interface SectionChoice {
  readonly id: SectionId;
  readonly name: string;
  readonly roomName: string;
  readonly content: ContentKind;
  readonly likelyMinutes: number;
  readonly isDone: boolean;
}

interface VisitSheetProps {
  readonly typed: VisitTyped;
  readonly sections: readonly SectionChoice[];
  readonly onSave: (typed: VisitTyped) => Promise<ActionResult>;
  readonly onDone: () => void;
}

/** A visit as it is planned: when, who comes, what is to be done, and what must be known before. */
export function VisitSheet({ typed, sections, onSave, onDone }: VisitSheetProps) {
  const { register, control, errors, submit, setValue, isSaving } = useTypedForm({
    schema: visitFormSchema,
    start: typed,
    save: onSave,
    onDone,
  });
  const sectionIds = useWatch({ control, name: 'sectionIds' });
  const toggle = (id: SectionChoice['id']) =>
    setValue(
      'sectionIds',
      sectionIds.includes(id) ? sectionIds.filter((other) => other !== id) : [...sectionIds, id],
    );
  return (
    <Sheet isOpen onOpenChange={onDone} title={typed.id === '' ? 'Plan a visit' : 'The visit'}>
      <form className="grid gap-3" noValidate onSubmit={submit}>
        <div className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
          <TextField
            label="Day"
            isNeeded
            type="date"
            className="col-span-2"
            error={errors.day?.message}
            {...register('day')}
          />
          <TextField
            label="From"
            isNeeded
            measure
            error={errors.from?.message}
            {...register('from')}
          />
          <TextField label="To" isNeeded measure error={errors.to?.message} {...register('to')} />
          <TextField
            label="Who comes, with commas between"
            className="col-span-2 sm:col-span-4"
            placeholder="e.g. Wren, Tuesday helper"
            error={errors.people?.message}
            {...register('people')}
          />
        </div>
        <div className="flex flex-wrap gap-x-5">
          <CheckField label="the client is there" {...register('clientThere')} />
          <CheckField label="pinned: a proposal leaves it where it is" {...register('isPinned')} />
        </div>
        {sections.length > 0 && (
          <fieldset>
            <legend className="caption mb-1">What is to be done</legend>
            <div className="grid max-h-[220px] overflow-y-auto sm:grid-cols-2">
              {sections.map(({ id, name, roomName }) => (
                <CheckField
                  key={id}
                  label={`${name}, ${roomName.toLowerCase()}`}
                  checked={sectionIds.includes(id)}
                  onChange={() => toggle(id)}
                />
              ))}
            </div>
          </fieldset>
        )}
        <TextField label="Where to park" error={errors.parking?.message} {...register('parking')} />
        <TextField
          label="What the client prepares"
          placeholder="e.g. the sink is empty, the cat is out"
          error={errors.prepare?.message}
          {...register('prepare')}
        />
        <Button type="submit" look="main" disabled={isSaving}>
          Keep the visit
        </Button>
      </form>
    </Sheet>
  );
}
