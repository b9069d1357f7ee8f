'use client';

import { RadioGroup } from 'radix-ui';
import { useMemo, useState } from 'react';

import {
  fitAims,
  tidyFit,
  type FitAim,
  type FitAnswer,
  type FitQuestion,
  type TidyWay,
} from '@/core/fit';
import { formatLitres, type Currency, type LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { Choice } from '../primitives/Choice';
import { useKeys } from '../primitives/useKeys';
import { AnswerCard } from './AnswerCard';
import { FitDrawing } from './FitDrawing';
import { PickedContainer, Reasons } from './PickedContainer';
import { useFits } from './useFits';
import { useTills, type TillSum } from './useTills';
import { WishList, type Forbidden } from './WishList';
import { useMutation } from '../useMutation';
import { Link } from '../primitives/Link';

interface FitWorkbenchProps {
  readonly request: FitQuestion;
  readonly litresEach: Readonly<Record<string, number>>;
  /** Containers that are not wanted here; pinned groups are in the request. */
  readonly forbidden: readonly Forbidden[];
  readonly mockUpHref: string;
  readonly onWish: (wish: unknown) => Promise<ActionResult>;
  readonly taken: { readonly prefer: FitAim; readonly answer: FitAnswer } | undefined;
  readonly currency: Currency;
  readonly measureUnit: LengthUnit;
  readonly onTake: (prefer: FitAim, answer: FitAnswer) => Promise<ActionResult>;
  readonly onDrop: () => Promise<ActionResult>;
  /** What the tills take with these containers. */
  readonly onTill: (
    placed: Pick<FitAnswer, 'placements' | 'surfaces'>,
  ) => Promise<TillSum | undefined>;
}

/** Five ways to fit one place out, drawn to scale, each with its cost and its reasons. */
export function FitWorkbench({
  request,
  litresEach,
  forbidden,
  mockUpHref,
  onWish,
  taken,
  currency,
  measureUnit,
  onTake,
  onDrop,
  onTill,
}: FitWorkbenchProps) {
  const { mutate } = useMutation();
  const { answers: found, isRunning, problem, stop } = useFits(request, taken?.answer);
  const [way, setWay] = useState<TidyWay>('spread');
  const answers = useMemo(() => tidyAll(request, found, way), [request, found, way]);
  const [chosen, setChosen] = useState<FitAim | 'taken'>(taken ? 'taken' : 'cost');
  const tillOf = useTills(
    [taken?.answer, ...(isRunning ? [] : fitAims.map((aim) => found[aim]))],
    JSON.stringify([request.containers, taken?.answer.placements]),
    onTill,
  );
  const showsTaken = chosen === 'taken' && taken !== undefined;
  const prefer = chosen === 'taken' ? (taken?.prefer ?? 'cost') : chosen;
  const [pickedIndex, setPickedIndex] = useState<number>();
  const answer = showsTaken ? taken.answer : answers[prefer];
  // As it was taken, or as it would be tidied today.
  const takenForms = useMemo(
    () =>
      taken
        ? [taken.answer, tidyFit(request, taken.answer, way)].map(({ placements }) =>
            JSON.stringify(placements),
          )
        : [],
    [request, taken, way],
  );
  const isAsTaken = (other: FitAnswer | undefined) =>
    other !== undefined && takenForms.includes(JSON.stringify(other.placements));
  const isTaken = isAsTaken(answer);
  const canTake = answer !== undefined && answer.placements.length > 0;
  const take = () => {
    if (!canTake || isTaken) return;
    void mutate(() => onTake(prefer, answer), {
      done: 'Taken. What it needs is on the shopping list.',
    });
  };
  useKeys({ a: take });
  return (
    <div className="grid items-start gap-3.5 lg:grid-cols-[minmax(0,1fr)_236px]">
      <div className="grid min-w-0 content-start gap-2.5">
        <Drawn
          {...{ request, answer, measureUnit, problem, pickedIndex }}
          onPick={setPickedIndex}
          // What was taken stays as it was taken.
          way={showsTaken ? undefined : way}
          onWay={setWay}
        />
        <div className="grid items-start gap-2.5">
          {answer && pickedIndex !== undefined && (
            <PickedContainer
              request={request}
              answer={answer}
              index={pickedIndex}
              measureUnit={measureUnit}
              currency={currency}
              litresEach={litresEach}
              onWish={onWish}
            />
          )}
          <WishList
            request={request}
            forbidden={forbidden}
            currency={currency}
            cheapest={isRunning ? undefined : found.cost}
            onWish={async (wish) => void (await mutate(() => onWish(wish)))}
          />
        </div>
      </div>
      <div className="grid content-start gap-2.5">
        <RadioGroup.Root
          aria-label="Ways to fit it out"
          value={chosen}
          onValueChange={(next) => {
            setChosen(fitAims.find((aim) => aim === next) ?? 'taken');
            setPickedIndex(undefined);
          }}
          className="grid gap-2.5 sm:grid-cols-2 lg:grid-cols-1"
        >
          {taken && (
            <AnswerCard
              aim={taken.prefer}
              title="As you took it"
              value="taken"
              answer={taken.answer}
              till={tillOf(taken.answer)}
              request={request}
              currency={currency}
              isChosen={showsTaken}
              isTaken
            />
          )}
          {fitAims.map((aim) => (
            <AnswerCard
              key={aim}
              aim={aim}
              answer={answers[aim]}
              till={tillOf(found[aim])}
              request={request}
              currency={currency}
              isChosen={chosen === aim}
              isTaken={isAsTaken(answers[aim])}
            />
          ))}
        </RadioGroup.Root>
        {isRunning && <Button onClick={stop}>Stop, keep what is there</Button>}
        <TakeOrDiscard
          isTaken={isTaken}
          mockUpHref={mockUpHref}
          canTake={canTake}
          onTake={take}
          onDrop={onDrop}
        />
        {pickedIndex === undefined && <AirNote answer={answer} request={request} />}
      </div>
    </div>
  );
}

function Drawn({
  request,
  answer,
  measureUnit,
  problem,
  pickedIndex,
  onPick,
  way,
  onWay,
}: Pick<FitWorkbenchProps, 'request' | 'measureUnit'> & {
  readonly answer: FitAnswer | undefined;
  readonly problem: string;
  readonly pickedIndex: number | undefined;
  readonly onPick: (index: number | undefined) => void;
  /** Undefined: it stands as it was taken. */
  readonly way: TidyWay | undefined;
  readonly onWay: (way: TidyWay) => void;
}) {
  return (
    <section aria-label="Drawing" className="panel squared min-w-0 border-t-4 border-t-rim p-3">
      {answer ? (
        <FitDrawing
          request={request}
          answer={answer}
          measureUnit={measureUnit}
          pickedIndex={pickedIndex}
          onPick={onPick}
        />
      ) : (
        <p className="grid h-[320px] place-items-center text-soft">
          {problem || 'Working it out…'}
        </p>
      )}
      {way && answer && answer.placements.length > 0 && (
        <div className="my-2 flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="text-[14px]">Room between them</span>
          <Choice label="Room between them" value={way} options={TIDY_WAYS} onChange={onWay} />
        </div>
      )}
      {answer && <Reasons request={request} answer={answer} measureUnit={measureUnit} />}
    </section>
  );
}

function TakeOrDiscard({
  isTaken,
  mockUpHref,
  canTake,
  onTake,
  onDrop,
}: {
  readonly isTaken: boolean;
  readonly mockUpHref: string;
  readonly canTake: boolean;
  readonly onTake: () => void;
  readonly onDrop: FitWorkbenchProps['onDrop'];
}) {
  const { mutate } = useMutation();
  if (!isTaken)
    return (
      <Button look="main" disabled={!canTake} onClick={onTake}>
        Take this fit <kbd>A</kbd>
      </Button>
    );
  return (
    <>
      <Link className={buttonClass('main')} href={mockUpHref}>
        Try it in the empty place
      </Link>
      <Button
        onClick={() =>
          void mutate(() => onDrop(), {
            done: 'Discarded; nothing of it is on the list any more.',
          })
        }
      >
        Discard this fit
      </Button>
    </>
  );
}

const TIDY_WAYS: readonly (readonly [TidyWay, string])[] = [
  ['spread', 'shared evenly'],
  ['together', 'kept as one space'],
];

/** The answers as a person would stand them. */
const tidyAll = (
  request: FitQuestion,
  answers: Readonly<Partial<Record<FitAim, FitAnswer>>>,
  way: TidyWay,
): Partial<Record<FitAim, FitAnswer>> =>
  Object.fromEntries(
    fitAims.flatMap((aim) => {
      const answer = answers[aim];
      return answer ? [[aim, tidyFit(request, answer, way)]] : [];
    }),
  );

function AirNote({ answer, request }: { answer: FitAnswer | undefined; request: FitQuestion }) {
  if (!answer) return null;
  return (
    <p className="text-[13.5px] text-soft">
      {formatLitres(answer.freeLitres)} of air in the containers. Pick one in the drawing to see its
      clearances; {request.clearances.side} mm are kept at the sides, {request.clearances.between}{' '}
      mm between.
    </p>
  );
}
