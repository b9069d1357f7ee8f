'use client';

import { Plus, X } from 'lucide-react';
import { useState } from 'react';

import { drawPlan, traceWalls, type RoomPlan } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Choice } from '../primitives/Choice';
import { Button, type ButtonLook } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { traceWallsWords } from './lookWords';
import { MeterStrip } from './MeterStrip';
import { SketchView } from './SketchView';
import { rectangleWalls, toTypedWalls, wallsFormSchemaFor, type WallsTyped } from './wallsForm';

interface WallsSheetProps {
  readonly plan: RoomPlan | null;
  readonly measureUnit: LengthUnit;
  readonly look: ButtonLook;
  readonly onSave: (typed: WallsTyped) => Promise<ActionResult>;
}

/** A room's walls by tape: length and width, or wall by wall with its turns. */
export function WallsSheet({ plan, measureUnit, look, onSave }: WallsSheetProps) {
  const [isOpen, setIsOpen] = useState(false);
  const isRectangle =
    plan === null ||
    (plan.walls.length === 4 &&
      plan.walls.every(
        ({ turn }, i) =>
          turn === 'right' && plan.walls[(i + 2) % 4]?.length.text === plan.walls[i]?.length.text,
      ));
  const [mode, setMode] = useState<'rectangle' | 'walls'>(isRectangle ? 'rectangle' : 'walls');
  const [typed, setTyped] = useState(toTypedWalls(plan));
  const [message, setMessage] = useState('');
  const wall = (i: number) => typed.walls[i]?.length ?? '';
  const setWall = (i: number, change: Partial<WallsTyped['walls'][number]>) =>
    setTyped({ walls: typed.walls.map((each, at) => (at === i ? { ...each, ...change } : each)) });
  const save = async () => {
    const result = await onSave(typed);
    setMessage(result.ok ? '' : result.message);
    if (result.ok) setIsOpen(false);
  };
  return (
    <>
      <Button look={look} onClick={() => setIsOpen(true)}>
        {plan ? 'Walls' : 'Measure the walls'}
      </Button>
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="The walls of this room">
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void save();
          }}
        >
          <MeterStrip />
          <Choice
            label="How the room is measured"
            value={mode}
            options={[
              ['rectangle', 'Length and width'],
              ['walls', 'Wall by wall'],
            ]}
            onChange={setMode}
            optionClass="min-h-12 flex-1"
          />
          {mode === 'rectangle' ? (
            <div className="grid grid-cols-2 gap-3">
              <TextField
                label="Length"
                isLength
                value={wall(0)}
                onChange={(event) => setTyped(rectangleWalls(event.target.value, wall(1)))}
              />
              <TextField
                label="Width"
                isLength
                value={wall(1)}
                onChange={(event) => setTyped(rectangleWalls(wall(0), event.target.value))}
              />
            </div>
          ) : (
            <>
              <p className="text-[14px] text-soft">
                Start in any corner and walk along the walls with the room on your right hand. At
                the end of each wall, say which way you turn.
              </p>
              <ol className="grid gap-1.5">
                {typed.walls.map((each, i) => (
                  <li key={i} className="grid grid-cols-[1fr_1fr_48px] items-end gap-2">
                    <TextField
                      label={`Wall ${i + 1}`}
                      isLength
                      value={each.length}
                      onChange={(event) => setWall(i, { length: event.target.value })}
                    />
                    <SelectField
                      label={`Then turn, wall ${i + 1}`}
                      value={each.turn}
                      onChange={(event) =>
                        setWall(i, { turn: event.target.value === 'left' ? 'left' : 'right' })
                      }
                    >
                      <option value="right">right</option>
                      <option value="left">left</option>
                    </SelectField>
                    <button
                      type="button"
                      aria-label={`Remove wall ${i + 1}`}
                      disabled={typed.walls.length <= 4}
                      onClick={() => setTyped({ walls: typed.walls.filter((_, at) => at !== i) })}
                      className="grid size-12 place-items-center rounded hover:bg-well disabled:opacity-40"
                    >
                      <X size={16} />
                    </button>
                  </li>
                ))}
              </ol>
              <Button
                onClick={() => setTyped({ walls: [...typed.walls, { length: '', turn: 'right' }] })}
              >
                <Plus size={16} aria-hidden="true" /> Another wall
              </Button>
            </>
          )}
          <WallsPreview typed={typed} measureUnit={measureUnit} />
          {message !== '' && (
            <p role="alert" className="warn">
              {message}
            </p>
          )}
          <Button type="submit" look="main">
            Keep these walls
          </Button>
        </form>
      </Sheet>
    </>
  );
}

function WallsPreview({ typed, measureUnit }: { typed: WallsTyped; measureUnit: LengthUnit }) {
  const read = wallsFormSchemaFor(measureUnit).safeParse(typed);
  if (!read.success)
    return (
      <p className="text-[14px] text-soft">The room is drawn here once every wall has a length.</p>
    );
  const outline = traceWalls(read.data);
  if (!outline.ok) return <p className="warn">{traceWallsWords(outline.error, measureUnit)}.</p>;
  const penMm = Math.max(outline.value.widthMm / 420, outline.value.depthMm / 190);
  return (
    <div className="squared rounded-[5px] border border-line">
      <SketchView
        label="The walls as typed, to scale"
        sketch={drawPlan({
          outline: outline.value,
          units: [],
          fixtures: [],
          checks: [],
          clashes: [],
          measureUnit,
          penMm,
        })}
      />
    </div>
  );
}
