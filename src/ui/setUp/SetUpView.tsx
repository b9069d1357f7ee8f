'use client';

import { format, parseISO } from 'date-fns';

import { formatCount } from '@/core/shared';
import {
  doneTasksOf,
  findEarlyTicks,
  nowNextThen,
  type PlannedTask,
  type SetUp,
  type SetUpPlan,
  type SetUpTask,
} from '@/core/setUp';
import type { ActionResult } from '../actionResult';
import { useMutation } from '../useMutation';
import { TickLine } from '../visits/Packing';
import { scheduleReasonWords } from '../visits/scheduleWords';
import { AirForm } from './AirForm';
import { toTypedAir, type AirTyped } from './airForm';
import { Band } from './Band';
import { taskCautions, taskWords, whenWords } from './setUpWords';

interface SetUpViewProps {
  readonly roomName: string;
  readonly setUp: SetUp;
  readonly tasks: readonly SetUpTask[];
  readonly plan: SetUpPlan;
  readonly people: readonly string[];
  readonly assumedFrom: string | null;
  readonly hasVisit: boolean;
  readonly unitNames: Readonly<Record<string, string>>;
  readonly hasPaint: boolean;
  readonly now: string;
  readonly onTick: (task: Pick<SetUpTask, 'kind' | 'of'>) => Promise<ActionResult>;
  readonly onAir: (typed: AirTyped) => Promise<ActionResult>;
}

const TURNS = ['Now', 'Next', 'Then'];

/** A room's working list: what each does now, next and then, the band of the days, and every task. */
export function SetUpView(props: SetUpViewProps) {
  const { setUp, tasks, plan, people, unitNames, now } = props;
  const nameOf = (task: Pick<SetUpTask, 'kind' | 'of'>) =>
    taskWords(task, unitNames[task.of] ?? '');
  const byId = (id: string) => tasks.find((task) => task.id === id);
  const early = findEarlyTicks(tasks, doneTasksOf(setUp));
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
          <b>Reload not before {format(parseISO(plan.loadFrom), 'EEEE d MMMM, H:mm')}:</b> the last
          coat hardens until then.
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
                  <span className="font-mono text-[13.5px] text-soft">
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
              name={nameOf(task)}
              doneAt={doneTasksOf(setUp).find(({ taskId }) => taskId === task.id)?.doneAt}
              planned={plan.tasks.find((each) => each.task.id === task.id)}
              waitsFor={early
                .filter(({ taskId }) => taskId === task.id)
                .flatMap(({ waitsForId }) => {
                  const before = byId(waitsForId);
                  return before ? [nameOf(before)] : [];
                })
                .at(0)}
              now={now}
              onTick={props.onTick}
            />
          ))}
        </ul>
      </section>
      {props.hasPaint && <AirForm typed={toTypedAir(setUp)} onSave={props.onAir} />}
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
      {Math.max(1, Math.round(minutes / 30) / 2)} hours of work, by our own assumptions. {days}
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
  onTick,
}: {
  readonly task: SetUpTask;
  readonly name: string;
  readonly doneAt: string | undefined;
  readonly planned: PlannedTask | undefined;
  readonly waitsFor: string | undefined;
  readonly now: string;
  readonly onTick: SetUpViewProps['onTick'];
}) {
  const { mutate } = useMutation();
  const caution = taskCautions[task.kind];
  return (
    <li className="py-0.5">
      <TickLine
        isTicked={doneAt !== undefined}
        onTick={() => mutate(() => onTick({ kind: task.kind, of: task.of }))}
      >
        {name}{' '}
        <span className="text-soft">
          {task.minutes} min{task.people > 1 && `, ${task.people} people`}
          {doneAt !== undefined && ` · done ${whenWords(doneAt, new Date(now))}`}
          {planned &&
            ` · ${whenWords(planned.startsAt, new Date(now))}, ${planned.people.join(' and ')}`}
        </span>
      </TickLine>
      {waitsFor !== undefined && (
        <p className="ml-[26px] text-[14px] text-signal-deep">Ticked before: {waitsFor}</p>
      )}
      {caution !== undefined && doneAt === undefined && (
        <p className="ml-[26px] pb-1 text-[13.5px] text-soft">{caution}</p>
      )}
    </li>
  );
}
