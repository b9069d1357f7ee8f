'use client';

import { formatCount } from '@/core/shared';
import {
  findEarlyTicks,
  nowNextThen,
  taskKinds,
  type DoneTask,
  type PlannedTask,
  type SetUp,
  type SetUpPlan,
  type SetUpTask,
  type TaskKind,
} from '@/core/setUp';
import { WAITS_WORDS } from '../field/fieldWords';
import { useFieldAct, useRoomId, useWaitingCommands } from '../field/useFieldAct';
import { Waits } from '../field/Waits';
import { TextField } from '../primitives/Field';
import { Button } from '../primitives/Button';
import { Link } from '../primitives/Link';
import { useTypedForm } from '../useTypedForm';
import { TickLine } from '../visits/Packing';
import { scheduleReasonWords } from '../visits/scheduleWords';
import { AirForm } from './AirForm';
import { Band } from './Band';
import {
  amountWords,
  hardWords,
  learntWords,
  taskCautions,
  taskWords,
  whenWords,
} from './setUpWords';
import { tookFormSchema } from './tookForm';

interface SetUpViewProps {
  readonly roomName: string;
  readonly setUp: SetUp;
  readonly tasks: readonly SetUpTask[];
  readonly done: readonly DoneTask[];
  /** What of the shopping list a kind of task still waits for. */
  readonly toBuy: Readonly<Partial<Record<TaskKind, readonly string[]>>>;
  /** Units that should be fixed to the wall and are not. */
  readonly unanchoredNames: readonly string[];
  /** The list of moves, which ticks its task. */
  readonly movesHref: string;
  readonly plan: SetUpPlan;
  readonly people: readonly string[];
  readonly assumedFrom: string | null;
  readonly hasVisit: boolean;
  readonly unitNames: Readonly<Record<string, string>>;
  readonly hasPaint: boolean;
  readonly now: string;
}

const TURNS = ['Now', 'Next', 'Then'];

/** A room's working list: what each does now, next and then, the band of the days, and every task. */
export function SetUpView(props: SetUpViewProps) {
  const { setUp, tasks, done, plan, people, unitNames, now } = props;
  const nameOf = (task: Pick<SetUpTask, 'kind' | 'of'>) =>
    taskWords(task, unitNames[task.of] ?? '');
  const byId = (id: string) => tasks.find((task) => task.id === id);
  const early = findEarlyTicks(tasks, done);
  const doneIds = new Set(done.map(({ taskId }) => taskId));
  // A caution is said once, at the first task of its kind that is open.
  const firstOpen = new Set(
    taskKinds.flatMap(
      (kind) => tasks.find((task) => task.kind === kind && !doneIds.has(task.id))?.id ?? [],
    ),
  );
  if (tasks.length === 0)
    return (
      <p className="panel p-4">
        There is nothing to set up yet: measure a unit, give its groups their places, take a fit.
      </p>
    );
  return (
    <div className="grid gap-4">
      <div>
        <h1 className="text-[24px]">Set up, {props.roomName.toLowerCase()}</h1>
        <p className="text-[14.5px]" role="status">
          <PlanWords {...props} />
        </p>
      </div>
      {plan.loadFrom !== null && (
        <p className="warn">
          <b>Reload not before {hardWords(plan.loadFrom)}:</b> the last coat hardens until then.
        </p>
      )}
      {props.unanchoredNames.length > 0 && (
        <p className="warn">
          <b>Not anchored, as far as anybody has said: {props.unanchoredNames.join(', ')}.</b> Until
          it is fixed to the wall it can fall: keep children away, and drawers shut.
        </p>
      )}
      {plan.reasons.slice(0, 3).map((reason) => (
        <p key={`${reason.code} ${reason.subject}`} className="warn">
          {scheduleReasonWords(reason, {
            task: (id) => {
              const task = byId(id);
              return task ? nameOf(task) : 'A task';
            },
            time: () => 'the last of these days',
          })}
        </p>
      ))}
      <ul className="grid gap-3 sm:grid-cols-2">
        {nowNextThen(plan, people).map(({ name, tasks: own }) => (
          <li key={name} className="panel border-t-4 border-t-rim p-3.5">
            <h2 className="text-[17px]">{name}</h2>
            {own.length === 0 && <p className="text-[14.5px] text-soft">Nothing more here.</p>}
            <ol>
              {own.map(({ task, startsAt }, i) => (
                <li key={task.id} className="mt-1 text-[15px]">
                  <span className="inline-block w-[46px] text-[13.5px] text-soft">{TURNS[i]}</span>
                  <b className={i === 0 ? '' : 'font-normal'}>{nameOf(task)}</b>{' '}
                  <span className="font-mono text-[13.5px] whitespace-nowrap text-soft">
                    {whenWords(startsAt, new Date(now))}
                  </span>
                </li>
              ))}
            </ol>
          </li>
        ))}
      </ul>
      <Band plan={plan} people={people} nameOf={nameOf} />
      <section aria-label="Working list" className="panel p-4">
        <h2 className="text-[18px]">
          Working list{' '}
          <span className="text-soft">
            {tasks.length - plan.tasks.length} of {formatCount(tasks.length, 'task')} done
          </span>
        </h2>
        <ul className="mt-1 divide-y divide-line">
          {tasks.map((task) => (
            <TaskLine
              key={`${task.id} ${setUp.done.length}`}
              task={task}
              movesHref={props.movesHref}
              took={setUp.done.find(({ kind, of }) => kind === task.kind && of === task.of)}
              name={nameOf(task)}
              caution={firstOpen.has(task.id) ? taskCautions[task.kind] : undefined}
              toBuy={firstOpen.has(task.id) ? (props.toBuy[task.kind] ?? []) : []}
              doneAt={done.find(({ taskId }) => taskId === task.id)?.doneAt}
              planned={plan.tasks.find((each) => each.task.id === task.id)}
              waitsFor={early
                .filter(({ taskId }) => taskId === task.id)
                .flatMap(({ waitsForId }) => {
                  const before = byId(waitsForId);
                  return before ? [nameOf(before)] : [];
                })
                .at(0)}
              now={now}
            />
          ))}
        </ul>
      </section>
      {props.hasPaint && <AirForm setUp={setUp} />}
    </div>
  );
}

function PlanWords({ tasks, plan, assumedFrom, hasVisit, now }: SetUpViewProps) {
  const open = tasks.filter(({ id }) => plan.tasks.some(({ task }) => task.id === id));
  const days = daysWords(assumedFrom, { hasVisit, now: new Date(now) });
  if (plan.endsAt === null)
    return plan.status === 'infeasible' || plan.status === 'unknown' ? (
      <>It does not go into these days. {days}</>
    ) : (
      <>Everything is done.</>
    );
  const minutes = open.reduce((sum, task) => sum + task.minutes * task.people, 0);
  return (
    <>
      Done by {whenWords(plan.endsAt, new Date(now))}
      {plan.status === 'optimal' ? ', as early as can be' : ''}; about{' '}
      {Math.max(1, Math.round(minutes / 30) / 2)} hours of work,{' '}
      {open.some(({ learned }) => learned.count > 0)
        ? 'by our own assumptions and your times.'
        : 'by our own assumptions.'}{' '}
      {days}
    </>
  );
}

function daysWords(
  assumedFrom: string | null,
  { hasVisit, now }: { readonly hasVisit: boolean; readonly now: Date },
): string {
  if (assumedFrom === null) return 'Laid out in the visits that are planned for this room.';
  return hasVisit
    ? `The visits planned for this room do not hold it: from ${whenWords(assumedFrom, now)} on its usual days are taken.`
    : 'No visit to this room is planned: its usual days are taken.';
}

function TaskLine({
  task,
  name,
  doneAt,
  planned,
  waitsFor,
  now,
  movesHref,
  took,
  caution,
  toBuy,
}: {
  readonly task: SetUpTask;
  readonly name: string;
  readonly doneAt: string | undefined;
  readonly planned: PlannedTask | undefined;
  readonly waitsFor: string | undefined;
  readonly now: string;
  readonly movesHref: string;
  readonly took: SetUp['done'][number] | undefined;
  readonly caution: string | undefined;
  readonly toBuy: readonly string[];
}) {
  const { act } = useFieldAct();
  const roomId = useRoomId();
  const waiting = useWaitingCommands().findLast(
    (each) => each.kind === 'task' && each.task === task.kind && each.of === task.of,
  );
  const isTicked = waiting?.kind === 'task' ? waiting.isDone : doneAt !== undefined;
  const amount = amountWords(task);
  const facts = (
    <span className="text-soft">
      {amount !== '' && `${amount}, `}
      {task.minutes} min{learntWords(task)}
      {task.people > 1 && `, ${task.people} people`}
      {task.skill === 'drill' && ', drill'}
      {task.needsLadder && ', ladder'}
      {doneAt !== undefined && ` · done ${whenWords(doneAt, new Date(now))}`}
      {planned &&
        ` · ${whenWords(planned.startsAt, new Date(now))}, ${planned.people.join(' and ')}`}
    </span>
  );
  return (
    <li className="py-0.5">
      {task.kind === 'move' ? (
        <p className="ml-[26px] min-h-9 content-center text-[14.5px]">
          <Link className="text-rim underline" href={movesHref}>
            {name}
          </Link>{' '}
          {facts}
        </p>
      ) : (
        <TickLine
          isTicked={isTicked}
          onTick={() =>
            act({
              kind: 'task',
              roomId,
              task: task.kind,
              of: task.of,
              isDone: !isTicked,
              listedMinutes: task.assumedMinutes,
            })
          }
        >
          {name} {facts}
          {waiting && <b className="text-signal-deep"> · {WAITS_WORDS}</b>}
        </TickLine>
      )}
      {took && <TookForm took={took} name={name} />}
      {waitsFor !== undefined && (
        <p className="ml-[26px] text-[14px] text-signal-deep">Ticked before: {waitsFor}</p>
      )}
      {toBuy.length > 0 && (
        <p className="ml-[26px] text-[13.5px]">Still to buy for it: {toBuy.join(', ')}</p>
      )}
      {caution !== undefined && <p className="ml-[26px] pb-1 text-[13.5px] text-soft">{caution}</p>}
    </li>
  );
}

/** How long it really took: the rest of its kind is counted by it. */
function TookForm({ took, name }: { readonly took: SetUp['done'][number]; readonly name: string }) {
  const { send } = useFieldAct();
  const roomId = useRoomId();
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: tookFormSchema,
    start: { minutes: took.tookMinutes === null ? '' : String(took.tookMinutes) },
    save: (_, read) => send({ kind: 'task_took', roomId, task: took.kind, of: took.of, ...read }),
  });
  return (
    <details className="ml-[26px]">
      <summary className="min-h-9 content-center text-[13.5px] text-rim max-md:min-h-12">
        {took.tookMinutes === null ? 'How long did it take?' : `It took ${took.tookMinutes} min`}
        <Waits
          of={(each) => each.kind === 'task_took' && each.task === took.kind && each.of === took.of}
        />
      </summary>
      <form className="flex items-end gap-2 pb-2" noValidate onSubmit={submit}>
        <TextField
          label={`Minutes, ${name}`}
          measure
          inputMode="numeric"
          className="w-[200px]"
          error={errors.minutes?.message}
          {...register('minutes')}
        />
        <Button type="submit" disabled={isSaving}>
          Keep
        </Button>
      </form>
    </details>
  );
}
