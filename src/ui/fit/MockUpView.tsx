'use client';
import clsx from 'clsx';

import { Check } from 'lucide-react';
import { useState } from 'react';

import {
  hangingRoles,
  labelFaceOf,
  putInOrder,
  listLevels,
  type FitAnswer,
  type FitRequest,
  type LabelFace,
  type MockCheck,
} from '@/core/fit';
import type { WaitingCommand } from '@/core/field';
import {
  bayIdSchema,
  containerIdSchema,
  formatLength,
  type BayId,
  type LengthUnit,
} from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { commandName, WAITS_WORDS } from '../field/fieldWords';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { containerSizeSchemaFor, type ContainerSizeTyped } from './containerSize';
import { MockUpDrawing } from './MockUpDrawing';
import { showNotice } from '../primitives/notices';
import { useMutation } from '../useMutation';
import { LABEL_FACE_WORDS, sizeWords } from './fitWords';

interface MockUpViewProps {
  readonly request: FitRequest;
  readonly answer: FitAnswer;
  readonly checks: readonly MockCheck[];
  readonly measureUnit: LengthUnit;
  readonly onCorrect: (
    containerId: string,
    typed: ContainerSizeTyped,
  ) => Promise<ActionResult & { readonly words?: string }>;
}

const TRIALS = [
  ['goesIn', 'goes in'],
  ['comesOut', 'comes out'],
  ['doorShuts', 'door shuts'],
] as const;

/** The sheet that goes to the empty place: outlines to scale, and for each container what was tried. */
export function MockUpView({ request, answer, checks, measureUnit, onCorrect }: MockUpViewProps) {
  const { mutate } = useMutation();
  const { act, saveOrKeep } = useFieldAct();
  const waiting = useWaitingCommands();
  const bayId = bayIdSchema.parse(request.bay.id);
  // Ticks follow each other faster than they are kept: what was just ticked counts at once.
  const [ticked, setTicked] = useState<Readonly<Record<number, MockCheck>>>({});
  const checkOf = (index: number): MockCheck =>
    ticked[index] ??
    waitingCheck(waiting, bayId, index) ??
    checks.find((check) => check.index === index) ?? {
      index,
      goesIn: false,
      comesOut: false,
      doorShuts: false,
    };
  const tick = async (check: MockCheck) => {
    setTicked((before) => ({ ...before, [check.index]: check }));
    const result = await act({ kind: 'container_tried', bayId, check });
    if (!result.ok) setTicked({});
  };
  const correct = async (containerId: string, typed: ContainerSizeTyped): Promise<boolean> => {
    const ask = async () => {
      const corrected = await onCorrect(containerId, typed);
      if (corrected.ok && corrected.words) showNotice({ kind: 'done', words: corrected.words });
      return corrected;
    };
    const size = containerSizeSchemaFor(measureUnit).safeParse(typed);
    const result = await mutate(() =>
      size.success
        ? saveOrKeep<undefined>(ask, {
            kind: 'container_corrected',
            containerId: containerIdSchema.parse(containerId),
            widthMm: size.data.width.mm,
            depthMm: size.data.depth.mm,
            heightMm: size.data.height.mm,
          })
        : // The desk says what cannot be read.
          ask(),
    );
    setTicked({});
    return result.ok;
  };
  const order = putInOrder(answer).flatMap(({ kind, index }) =>
    kind === 'container' ? [index] : [],
  );
  const levels = listLevels(request, answer);
  const drawn = { request, answer, measureUnit, order };
  const tried = answer.placements
    .map((_, index) => checkOf(index))
    .filter(({ goesIn, comesOut, doorShuts }) => goesIn && comesOut && doorShuts).length;
  return (
    <>
      <section
        aria-label="Drawing to scale"
        className="panel squared mb-3 flex flex-wrap gap-x-6 gap-y-2 border-t-4 border-t-rim p-3"
      >
        <MockUpDrawing {...drawn} view="front" />
        {levels.length > 1 && <MockUpDrawing {...drawn} view="side" />}
        {levels.length > 1 ? (
          levels.map((level) => (
            <MockUpDrawing key={level.name} {...drawn} view="above" level={level} />
          ))
        ) : (
          <MockUpDrawing {...drawn} view="above" />
        )}
      </section>
      <p className="mb-2 text-[14.5px]">
        <b className="font-mono">
          {tried} of {answer.placements.length}
        </b>{' '}
        tried and good. Cut paper to the outlines or use what is at hand; load nothing before all of
        it goes in, comes out and the door shuts. They are numbered as they go in: what stands
        behind and below first.
      </p>
      {levels.map((level) => (
        <section key={level.name} aria-label={level.name} className="mb-3">
          {levels.length > 1 && (
            <header className="mb-1 flex flex-wrap items-center gap-x-3">
              <h2 className="text-[16px]">{level.name}</h2>
              <span className="text-[13.5px] text-soft">
                {level.zMm > 0 && `from ${formatLength(level.zMm, measureUnit)} up`}
                {level.container &&
                  ` · ${sizeWords(level.container.outer, measureUnit)}, goes in before what stands on it`}
              </span>
              {level.container && (
                <Correct
                  container={level.container}
                  measureUnit={measureUnit}
                  onCorrect={(typed) => correct(level.container!.id, typed)}
                />
              )}
            </header>
          )}
          <ol className="panel divide-y divide-line">
            {order
              .map((index, turn) => ({ index, turn }))
              .filter(({ index }) => level.indexes.includes(index))
              .map(({ index, turn }) => (
                <TrialRow
                  key={index}
                  turn={turn}
                  request={request}
                  placement={answer.placements[index]!}
                  face={labelFaceOf(request, answer, index)}
                  check={checkOf(index)}
                  measureUnit={measureUnit}
                  onTick={(check) => void tick(check)}
                  onCorrect={correct}
                />
              ))}
          </ol>
        </section>
      ))}
    </>
  );
}

/** One container: what it is, where its label faces, and the three things that are tried. */
function TrialRow({
  turn,
  request,
  placement,
  face,
  check,
  measureUnit,
  onTick,
  onCorrect,
}: {
  readonly turn: number;
  readonly request: FitRequest;
  readonly placement: FitAnswer['placements'][number];
  readonly face: LabelFace;
  readonly check: MockCheck;
  readonly measureUnit: LengthUnit;
  readonly onTick: (check: MockCheck) => void;
  readonly onCorrect: (containerId: string, typed: ContainerSizeTyped) => Promise<boolean>;
}) {
  const container = request.containers.find(({ id }) => id === placement.containerId);
  const group = request.groups.find(({ id }) => id === placement.groupId);
  const kind = group?.kinds?.[placement.kind ?? -1]?.name;
  const isStacked = placement.on === undefined && placement.z > (request.bay.falseFloor ?? 0);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1.5 px-3 py-2">
      <b className="w-7 font-mono text-[18px]">{turn + 1}</b>
      <span className="min-w-[190px] flex-1 text-[14.5px]">
        <b className="font-[650]">{container?.name}</b>
        <span className="block text-[13.5px] text-soft">
          {[group?.name, kind].filter(Boolean).join(': ')}
          {isStacked && !hangsFromAbove(container) ? ', on the one below' : ''}
          {container ? ` · ${placedWords(container, placement, measureUnit)}` : ''}
          {` · label ${LABEL_FACE_WORDS[face]}`}
        </span>
      </span>
      <span className="flex flex-wrap gap-1.5">
        {TRIALS.map(([key, label]) => (
          <button
            key={key}
            type="button"
            aria-pressed={check[key]}
            aria-label={`${turn + 1}: ${label}`}
            onClick={() => onTick({ ...check, [key]: !check[key] })}
            className={clsx(
              'flex min-h-9 items-center gap-1 rounded-[5px] border px-2 text-[13.5px] max-md:min-h-12',
              check[key]
                ? 'border-rim bg-rim-wash font-bold text-rim-deep'
                : 'border-line bg-white',
            )}
          >
            {check[key] ? (
              <Check size={15} aria-hidden="true" />
            ) : (
              <span aria-hidden="true" className="size-[13px] rounded-[3px] border border-ink" />
            )}{' '}
            {label}
          </button>
        ))}
      </span>
      {container && (
        <Correct
          container={container}
          measureUnit={measureUnit}
          onCorrect={(typed) => onCorrect(container.id, typed)}
        />
      )}
    </li>
  );
}

const waitingCheck = (
  waiting: readonly WaitingCommand[],
  bayId: BayId,
  index: number,
): MockCheck | undefined =>
  waiting
    .flatMap((each) => (each.kind === 'container_tried' && each.bayId === bayId ? each.check : []))
    .findLast((check) => check.index === index);

/** Its size, or of a compartment how far it is from board to board. */
function placedWords(
  { outer }: FitRequest['containers'][number],
  { cell }: FitAnswer['placements'][number],
  unit: LengthUnit,
): string {
  if (!cell) return sizeWords(outer, unit);
  const inside = `compartment ${sizeWords({ ...cell, height: outer.height }, unit)} inside`;
  return cell.wall ? `${inside}, ends at the wall: no board` : `${inside}, ends at its board`;
}

const hangsFromAbove = (container: FitRequest['containers'][number] | undefined): boolean =>
  container?.role !== undefined && hangingRoles.has(container.role);

function Correct({
  container,
  measureUnit,
  onCorrect,
}: {
  readonly container: FitRequest['containers'][number];
  readonly measureUnit: LengthUnit;
  readonly onCorrect: (typed: ContainerSizeTyped) => Promise<boolean>;
}) {
  const corrected = useWaitingCommands().findLast(
    (each) => each.kind === 'container_corrected' && each.containerId === container.id,
  );
  const [isOpen, setIsOpen] = useState(false);
  const [size, setSize] = useState(() => ({
    width: formatLength(container.outer.width, measureUnit),
    depth: formatLength(container.outer.depth, measureUnit),
    height: formatLength(container.outer.height, measureUnit),
  }));
  if (!isOpen)
    return (
      <Button look="quiet" className="no-print" onClick={() => setIsOpen(true)}>
        {corrected ? `${commandName(corrected)}, ${WAITS_WORDS}` : 'Correct its size'}
      </Button>
    );
  return (
    <form
      className="no-print flex basis-full flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void onCorrect(size).then((isDone) => setIsOpen(!isDone));
      }}
    >
      {(['width', 'depth', 'height'] as const).map((side) => (
        <TextField
          key={side}
          label={`Measured ${side}`}
          isLength
          className="w-[110px]"
          value={size[side]}
          onChange={(event) => setSize({ ...size, [side]: event.target.value })}
        />
      ))}
      <Button type="submit" look="main">
        Note the real size
      </Button>
    </form>
  );
}
