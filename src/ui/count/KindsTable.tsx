'use client';

import { Scale } from 'lucide-react';
import { useState } from 'react';

import { formatCount, formatMass } from '@/core/shared';
import type { SizedKind, SizeSource } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { SideScroll } from '../primitives/SideScroll';

interface KindsTableProps {
  readonly kinds: readonly SizedKind[];
  readonly onSet: (typed: {
    readonly id: string;
    readonly litres: number | null;
    readonly massG: number | null;
  }) => Promise<ActionResult>;
  readonly onWeigh: (typed: {
    readonly id: string;
    readonly count: number;
    readonly massG: number;
  }) => Promise<ActionResult>;
  readonly onReset: (id: string) => Promise<ActionResult>;
}

const SOURCE_WORDS: Readonly<Record<SizeSource, string>> = {
  assumed: 'assumed',
  learnt: 'learnt',
  typed: 'typed over',
  weighed: 'weighed',
};

const litresSource = ({ litresFrom, learntCount }: SizedKind): string =>
  litresFrom === 'learnt'
    ? `learnt from ${formatCount(learntCount, 'typed size')}`
    : SOURCE_WORDS[litresFrom];

/**
 * What one piece of each kind takes and weighs, with where the figure comes from; typed over, or
 * put on the scale.
 */
export function KindsTable({ kinds, onSet, onWeigh, onReset }: KindsTableProps) {
  const [weighing, setWeighing] = useState<string>();
  if (kinds.length === 0)
    return (
      <p className="text-[14.5px] text-soft">
        No kind is called so. Of a thing that no kind matches the bench says that its size is not
        known, and asks; add it below.
      </p>
    );
  return (
    <SideScroll label="Kinds of things" className="max-w-[860px]">
      <table className="stacks panel w-full text-[14.5px] max-md:px-3">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            <th className="px-3 py-2">One piece of</th>
            <th className="px-2">Litres</th>
            <th className="px-2">Grams</th>
            <th className="px-2 max-md:hidden">Where the figures come from</th>
            <th>
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {kinds.map((kind) => (
            <KindRow
              key={kind.id}
              kind={kind}
              isWeighing={weighing === kind.id}
              onWeighing={(isOn) => setWeighing(isOn ? kind.id : undefined)}
              onSet={onSet}
              onWeigh={onWeigh}
              onReset={onReset}
            />
          ))}
        </tbody>
      </table>
    </SideScroll>
  );
}

interface KindRowProps extends Omit<KindsTableProps, 'kinds'> {
  readonly kind: SizedKind;
  readonly isWeighing: boolean;
  readonly onWeighing: (isOn: boolean) => void;
}

/** What is assumed carries two digits; what was typed or weighed more. */
function shownOf(kind: SizedKind, field: 'litres' | 'massG'): number | null {
  const value = kind[field];
  const isAssumed =
    kind[field === 'litres' ? 'litresFrom' : 'massFrom'] !== 'typed' &&
    kind[field === 'litres' ? 'litresFrom' : 'massFrom'] !== 'weighed';
  return value === null ? null : Number(value.toPrecision(isAssumed ? 2 : 4));
}

/** The ranges of what is assumed. */
function sayRanges({ litresFrom, litresRange, massFrom, massRange }: SizedKind): string {
  const ranges = [
    litresFrom !== 'typed' && litresRange ? `${litresRange[0]} to ${litresRange[1]} l` : '',
    massFrom === 'assumed' && massRange ? `${massRange[0]} to ${massRange[1]} g` : '',
  ].filter((range) => range !== '');
  return ranges.length === 0 ? '' : `, ${ranges.join(', ')}`;
}

function KindRow({ kind, isWeighing, onWeighing, onSet, onWeigh, onReset }: KindRowProps) {
  const { mutate } = useMutation();
  const [problem, setProblem] = useState('');
  const { id } = kind;
  const finish = async (work: () => Promise<ActionResult>) => {
    setProblem('');
    return (await mutate(work)).ok;
  };
  const set = async (field: 'litres' | 'massG', text: string) => {
    const value = Number(text.replace(',', '.'));
    if (text.trim() === '' && kind[field] === null) return;
    if (text.trim() === '' || !Number.isFinite(value)) return setProblem('Type a number.');
    const own = {
      litres: kind.litresFrom === 'typed' ? kind.litres : null,
      massG: kind.massFrom === 'typed' ? kind.massG : null,
    };
    if (value === shownOf(kind, field)) return;
    await finish(() => onSet({ id, ...own, [field]: value }));
  };
  const cell = (field: 'litres' | 'massG', label: string) => {
    const shown = shownOf(kind, field);
    return (
      <input
        key={`${field}${kind[field]}`}
        inputMode="decimal"
        aria-label={`${label} of one ${id}`}
        disabled={field === 'massG' && kind.massFrom === 'weighed'}
        className="input measure min-h-9 w-[84px] px-2 py-1 text-right disabled:bg-paper max-md:min-h-12"
        defaultValue={shown ?? ''}
        placeholder={shown === null ? 'not known' : undefined}
        onBlur={(event) => void set(field, event.target.value)}
      />
    );
  };
  const isCorrected = kind.litresFrom === 'typed' || kind.massFrom !== 'assumed';
  return (
    <>
      <tr className="border-t border-line [&>td]:py-1.5">
        <th scope="row" className="px-3 py-1 text-left font-[650]">
          {id}
          <span className="block text-[13px] font-normal text-soft">
            {kind.words.slice(1).join(', ')}
          </span>
        </th>
        <td data-head="Litres" className="px-2">
          {cell('litres', 'Litres')}
        </td>
        <td data-head="Grams" className="px-2">
          {cell('massG', 'Grams')}
        </td>
        <td className="px-2 text-[13.5px] text-soft max-md:hidden">
          {kind.litresFrom === kind.massFrom
            ? SOURCE_WORDS[kind.massFrom]
            : `litres ${litresSource(kind)}, grams ${SOURCE_WORDS[kind.massFrom]}`}
          {kind.weighedCount > 0 && ` (mean of ${kind.weighedCount})`}
          {sayRanges(kind)}
          {isCorrected && (
            <button
              type="button"
              className="ml-2 underline underline-offset-3"
              onClick={() => void finish(() => onReset(id))}
            >
              {kind.isOwn ? 'remove it' : 'back to the shipped figures'}
            </button>
          )}
        </td>
        <td className="px-2 text-right max-md:self-end">
          <button
            type="button"
            aria-expanded={isWeighing}
            aria-label={`Weigh some: ${id}`}
            className="inline-grid size-9 place-items-center rounded-[5px] border border-line bg-white max-md:size-12"
            onClick={() => onWeighing(!isWeighing)}
          >
            <Scale size={16} />
          </button>
        </td>
      </tr>
      {(isWeighing || problem !== '') && (
        <tr>
          <td colSpan={5} className="px-3 pb-3">
            {problem !== '' && (
              <p role="alert" className="warn mb-1">
                {problem}
              </p>
            )}
            {isWeighing && (
              <WeighForm
                id={id}
                onWeigh={async (count, massG) => {
                  if (await finish(() => onWeigh({ id, count, massG }))) onWeighing(false);
                }}
              />
            )}
          </td>
        </tr>
      )}
    </>
  );
}

function WeighForm({
  id,
  onWeigh,
}: {
  id: string;
  onWeigh: (count: number, massG: number) => Promise<void>;
}) {
  const [count, setCount] = useState('');
  const [mass, setMass] = useState('');
  const [pieces, grams] = [Number(count), Number(mass.replace(',', '.'))];
  const isSound = Number.isInteger(pieces) && pieces > 0 && grams > 0;
  return (
    <form
      className="flex flex-wrap items-center gap-2 text-[14px]"
      onSubmit={(event) => {
        event.preventDefault();
        if (isSound) void onWeigh(pieces, grams);
      }}
    >
      <input
        autoFocus
        inputMode="numeric"
        aria-label={`Pieces on the scale, ${id}`}
        placeholder="pieces"
        className="input measure w-[88px]"
        value={count}
        onChange={(event) => setCount(event.target.value)}
      />{' '}
      together
      <input
        inputMode="decimal"
        aria-label={`Grams together, ${id}`}
        placeholder="grams"
        className="input measure w-[104px]"
        value={mass}
        onChange={(event) => setMass(event.target.value)}
      />{' '}
      g<span className="text-soft">{isSound && `${formatMass(grams / pieces)} a piece`}</span>
      <Button type="submit" look="quiet" disabled={!isSound}>
        Add this weighing
      </Button>
    </form>
  );
}
