import type { Project } from '@/core/agree';
import type { ContainerProduct, FitRequest, InsideTip } from '@/core/fit';
import type { FirmLearned } from '@/core/learn';
import type { Room } from '@/core/look';
import { formatLitres, formatMoney } from '@/core/shared';
import { spentMinorOf, type Purchase } from '@/core/shop';
import type { ActionResult } from '../actionResult';
import { LearntNote } from '../learn/LearntNote';
import { fitNotes } from '../learn/learnWords';
import { AddOwned } from './AddOwned';
import { InsideTips } from './InsideTips';
import { OwnedList } from './OwnedList';

interface FitTrayProps {
  readonly project: Project;
  readonly room: Room;
  readonly purchases: readonly Purchase[];
  readonly owned: readonly ContainerProduct[];
  readonly request: FitRequest;
  readonly tips: readonly InsideTip[];
  readonly learned: FirmLearned;
  readonly onAddOwned: (typed: unknown) => Promise<ActionResult>;
  readonly onChangeOwned: (containerId: string, typed: unknown) => Promise<ActionResult>;
  readonly onRemoveOwned: (containerId: string) => Promise<ActionResult>;
}

/** What is to go in, what the home has already, and the room's money. */
export function FitTray({
  project,
  room,
  purchases,
  owned,
  request,
  tips,
  learned,
  onAddOwned,
  onChangeOwned,
  onRemoveOwned,
}: FitTrayProps) {
  const spent = spentMinorOf(purchases);
  return (
    <>
      <section>
        <h2 className="caption mb-1 font-text">To go in</h2>
        <ul className="grid gap-1">
          {request.groups.map((group) => (
            <li key={group.id} className="flex justify-between gap-3 text-[14.5px]">
              <span className="truncate">
                {group.name}
                {group.front && <span className="text-soft">, daily</span>}
              </span>
              <span className="font-mono text-[13.5px]">{formatLitres(group.litres)}</span>
            </li>
          ))}
        </ul>
      </section>
      <InsideTips tips={tips} measureUnit={project.units} />
      <LearntNote
        notes={fitNotes(learned, {
          litres: request.groups.reduce((sum, { litres }) => sum + litres, 0),
          containerIds: new Set(request.containers.map(({ id }) => id)),
        })}
      />
      <section>
        <h2 className="caption mb-1 font-text">{room.name} budget</h2>
        <div aria-hidden="true" className="h-3 rounded-[3px] border-[1.5px] border-ink bg-white">
          <i
            className="block h-full bg-rim-mid"
            style={{
              width: `${room.budgetMinor > 0 ? Math.min(100, (spent / room.budgetMinor) * 100) : 0}%`,
            }}
          />
        </div>
        <p className="mt-1 text-[14px]">
          <b className="font-mono">{formatMoney(spent, project.currency)}</b> spent of{' '}
          <span className="font-mono">{formatMoney(room.budgetMinor, project.currency)}</span>
        </p>
      </section>
      <section>
        <h2 className="caption mb-1 font-text">In the home already</h2>
        {owned.length === 0 && (
          <p className="text-[14px] text-soft">
            Boxes, tins, tubs and jars that are here cost nothing. Add them before anything is
            bought.
          </p>
        )}
        <OwnedList
          owned={owned}
          measureUnit={project.units}
          onChange={onChangeOwned}
          onRemove={onRemoveOwned}
        />
        <AddOwned measureUnit={project.units} onAdd={onAddOwned} />
      </section>
    </>
  );
}
