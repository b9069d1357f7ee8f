import { formatDate } from '@/core/shared';
import { parseISO } from 'date-fns';

import type { PlannedTask, SetUpPlan } from '@/core/setUp';
import { clockWords } from './setUpWords';

interface BandProps {
  readonly plan: SetUpPlan;
  readonly people: readonly string[];
  readonly nameOf: (task: PlannedTask['task']) => string;
}

/** A band a person over the hours of each day: who does what behind whom. */
export function Band({ plan, people, nameOf }: BandProps) {
  const days = new Map<string, PlannedTask[]>();
  for (const each of plan.tasks) {
    const day = formatDate(parseISO(each.startsAt), 'yyyy-MM-dd');
    days.set(day, [...(days.get(day) ?? []), each]);
  }
  return (
    <div className="grid gap-3 max-md:hidden">
      {[...days].map(([day, own]) => (
        <DayBand key={day} tasks={own} people={people} nameOf={nameOf} />
      ))}
    </div>
  );
}

function DayBand({
  tasks,
  people,
  nameOf,
}: {
  readonly tasks: readonly PlannedTask[];
  readonly people: readonly string[];
  readonly nameOf: BandProps['nameOf'];
}) {
  const from = Math.min(...tasks.map(({ startsAt }) => Date.parse(startsAt)));
  const to = Math.max(...tasks.map(({ endsAt }) => Date.parse(endsAt)));
  const shareOf = (ms: number) => (100 * ms) / Math.max(1, to - from);
  return (
    <section aria-label={formatDate(from, 'EEEE d MMMM')}>
      <h3 className="text-[15px]">
        {formatDate(from, 'EEE d MMM')}{' '}
        <span className="font-mono text-[13.5px] text-soft">
          {clockWords(from)} to {clockWords(to)}
        </span>
      </h3>
      {people.map((name) => (
        <div key={name} className="mt-1 flex items-center gap-2">
          <span className="w-[76px] shrink-0 truncate text-[13.5px]">{name}</span>
          <ol className="relative h-8 min-w-0 flex-1 rounded-[4px] bg-well">
            {tasks
              .filter(({ people: crew }) => crew.includes(name))
              .map(({ task, startsAt, endsAt }) => (
                <li
                  key={task.id}
                  title={`${clockWords(parseISO(startsAt))} to ${clockWords(parseISO(endsAt))}, ${nameOf(task)}`}
                  className={
                    'absolute inset-y-0 overflow-hidden rounded-[4px] border border-rim bg-sheet ' +
                    'px-1 text-[13px] leading-[30px] whitespace-nowrap'
                  }
                  style={{
                    left: `${shareOf(Date.parse(startsAt) - from)}%`,
                    width: `${shareOf(Date.parse(endsAt) - Date.parse(startsAt))}%`,
                  }}
                >
                  {nameOf(task)}
                </li>
              ))}
          </ol>
        </div>
      ))}
    </section>
  );
}
