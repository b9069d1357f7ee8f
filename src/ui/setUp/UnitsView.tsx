'use client';

import { useState } from 'react';

import { usableLitresOf, type Unit } from '@/core/look';
import type { LoadAnswer, LoadStep, PutInPlace, TipAnswer, UnitSetUp } from '@/core/setUp';
import { formatMass, type RoomId } from '@/core/shared';
import { useFieldAct } from '../field/useFieldAct';
import { Waits } from '../field/Waits';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { useTypedForm } from '../useTypedForm';
import { LoadDrawing } from './LoadDrawing';
import { PutInList } from './PutInList';
import { hardWords } from './setUpWords';
import { assemblyWords, tipFactsWords, tipWords } from './unitWords';
import { toTypedUnitSetUp, unitSetUpFormSchema } from './unitSetUpForm';

export interface UnitLoading {
  readonly unit: Unit;
  readonly setUp: UnitSetUp;
  readonly isSecured: boolean;
  readonly needsTwo: boolean;
  readonly alikeBefore: number;
  readonly tipping: TipAnswer;
  readonly loading: LoadAnswer;
  readonly putIn: readonly PutInPlace[];
  /** Fixings that are counted for this wall, by materials. */
  readonly fixingWords: string | undefined;
}
interface UnitsViewProps {
  readonly roomName: string;
  readonly units: readonly UnitLoading[];
  readonly groups: readonly {
    readonly id: string;
    readonly name: string;
    readonly litres: number;
  }[];
  readonly loadFrom: string | null;
}

/** Each unit of a room: how it is put up and anchored, and in which order it is loaded. */
export function UnitsView({ roomName, units, groups, loadFrom }: UnitsViewProps) {
  return (
    <div className="grid gap-4">
      <div>
        <h1 className="text-[24px]">Units and loading, {roomName.toLowerCase()}</h1>
        <p className="text-[14.5px]">
          From the bottom up: heavy things lowest, the back row first, what must not be squashed
          last. Drawers stay shut while the rest is loaded.
        </p>
      </div>
      {loadFrom !== null && (
        <p className="warn">
          <b>Reload not before {hardWords(loadFrom)}:</b> the last coat hardens until then.
        </p>
      )}
      {units.length === 0 && (
        <p className="panel p-4">There is no unit yet: measure one in Look.</p>
      )}
      {units.map((each) => (
        <UnitCard key={each.unit.id} {...each} groups={groups} />
      ))}
    </div>
  );
}

function UnitCard({ groups, ...own }: UnitLoading & Pick<UnitsViewProps, 'groups'>) {
  const { unit, setUp, loading, tipping, isSecured } = own;
  const steps = loading.steps.map((step) => {
    const group = groups.find(({ id }) => id === step.groupId);
    return { ...step, name: group?.name ?? '', litres: group?.litres ?? 0 };
  });
  const [shown, setShown] = useState(steps.length);
  const nameOfPlace = (id: string) => unit.bays.find((bay) => bay.id === id)?.name ?? '';
  return (
    <section aria-label={unit.name} className="panel grid gap-3 p-4">
      <h2 className="text-[19px]">{unit.name}</h2>
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,420px)_1fr]">
        <div>
          <LoadDrawing
            unit={unit}
            steps={steps}
            litresOf={Object.fromEntries(unit.bays.map((bay) => [bay.id, usableLitresOf(bay)]))}
            shown={shown}
          />
          {steps.length > 0 && (
            <div className="mt-2 flex items-center gap-2">
              <Button disabled={shown === 0} onClick={() => setShown(shown - 1)}>
                One back
              </Button>
              <Button disabled={shown === steps.length} onClick={() => setShown(shown + 1)}>
                Next in
              </Button>
              <span className="text-[14px] text-soft" role="status">
                {shown} of {steps.length} in
              </span>
            </div>
          )}
        </div>
        <div className="grid gap-3">
          <Anchoring {...own} isSecured={isSecured} />
          {steps.length > 0 && (
            <ol className="grid gap-1">
              {steps.map((step, i) => (
                <li
                  key={step.groupId}
                  className={`flex gap-2 text-[14.5px] ${i === shown ? 'rounded bg-rim-wash' : ''}`}
                >
                  <span className="w-6 shrink-0 text-right font-mono text-soft">{i + 1}</span>
                  <span>
                    <b>{step.name}</b> into {nameOfPlace(step.placeId)}{' '}
                    <span className="text-soft">{stepFacts(step)}</span>
                  </span>
                </li>
              ))}
            </ol>
          )}
          {loading.tooHeavy.map(({ groupId, placeId, overG }) => (
            <p key={groupId} className="warn">
              {groups.find(({ id }) => id === groupId)?.name} is too heavy for{' '}
              {nameOfPlace(placeId)}: {formatMass(overG)} over what it bears. It stays out.
            </p>
          ))}
          <PutInList places={own.putIn} nameOfPlace={nameOfPlace} />
          {setUp.comes !== 'stays' && <Assembly {...own} />}
          <details>
            <summary className="min-h-9 content-center text-[14px] text-rim max-md:min-h-12">
              How it comes, what it weighs, whether it is anchored
              <Waits of={(each) => each.kind === 'unit_set_up' && each.unit.unitId === unit.id} />
            </summary>
            <UnitForm roomId={unit.roomId} setUp={setUp} tipping={tipping} />
          </details>
        </div>
      </div>
    </section>
  );
}

const stepFacts = ({ massG, carryings, row, isPulledForward, isFragile }: LoadStep): string =>
  [
    formatMass(massG),
    carryings > 1 ? `in ${carryings} goes` : '',
    row ? `${row} row` : '',
    isPulledForward ? 'pulled to the edge' : '',
    isFragile ? 'nothing on it or against it' : '',
  ]
    .filter((fact) => fact !== '')
    .join(', ');

function Anchoring({ tipping, isSecured, fixingWords }: UnitLoading) {
  return (
    <div className={tipping.wantsAnchoring && !isSecured ? 'warn' : 'text-[14.5px]'}>
      <p>
        <b>{tipWords(tipping, isSecured)}</b>
        {tipping.wantsAnchoring && !isSecured && (
          <>
            {' '}
            {fixingWords ?? 'No fixings are counted for it yet: add it to the materials.'} The
            fixing has to suit the wall; look for pipes and cables before drilling. Where you are
            not sure, ask a licensed trade, and follow the local rules.
          </>
        )}
      </p>
      <p className="text-[13.5px] text-soft">{tipFactsWords(tipping)}</p>
    </div>
  );
}

const Assembly = (own: UnitLoading) => (
  <div>
    <h3 className="text-[16px]">Putting it together</h3>
    <ol className="ml-5 list-decimal text-[14.5px]">
      {assemblyWords({
        isMoved: own.setUp.comes === 'moved',
        needsTwo: own.needsTwo,
        alikeBefore: own.alikeBefore,
        wantsAnchoring: own.tipping.wantsAnchoring,
      }).map((words) => (
        <li key={words}>{words}</li>
      ))}
    </ol>
  </div>
);

function UnitForm({
  setUp,
  roomId,
  tipping,
}: {
  readonly setUp: UnitSetUp;
  readonly roomId: RoomId;
  readonly tipping: TipAnswer;
}) {
  const { send } = useFieldAct();
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: unitSetUpFormSchema,
    start: toTypedUnitSetUp(setUp),
    save: (_, read) =>
      send({ kind: 'unit_set_up', roomId, unit: { ...read, unitId: setUp.unitId } }),
  });
  return (
    <form className="flex flex-wrap items-end gap-3" noValidate onSubmit={submit}>
      <SelectField label="This unit" {...register('comes')}>
        <option value="stays">stays where it is</option>
        <option value="bought">is bought, and put together</option>
        <option value="moved">is moved, down and up again</option>
      </SelectField>
      <TextField
        label="Weighs empty, kg"
        measure
        inputMode="decimal"
        className="w-[150px]"
        hint={`Nothing: about ${Math.round(tipping.emptyG.likely / 1000)} kg`}
        error={errors.kilograms?.message}
        {...register('kilograms')}
      />
      <SelectField label="Anchored to the wall" {...register('isAnchored')}>
        <option value="unknown">nobody has said</option>
        <option value="yes">yes</option>
        <option value="no">no</option>
      </SelectField>
      <Button type="submit" disabled={isSaving}>
        Keep
      </Button>
    </form>
  );
}
