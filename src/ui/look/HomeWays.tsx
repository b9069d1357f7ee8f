'use client';

import { Pencil, Plus, X } from 'lucide-react';
import { useState } from 'react';

import type { Passage, Sketch, WayGap } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { SketchView } from './SketchView';
import { emptyPassage, toTypedPassage } from './passageTyped';
import type { PassageTyped } from './passageForm';
import { PassageSheet } from './PassageSheet';
import { passageWords, wayGapWords, wayWords, type WayLine } from './wayWords';

interface HomeWaysProps {
  readonly sketch: Sketch;
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly passages: readonly Passage[];
  readonly gaps: readonly WayGap[];
  readonly ways: readonly WayLine[];
  /** By hall or stairs: the rooms with a door to it. */
  readonly doorsFrom: Readonly<Record<string, readonly string[]>>;
  /** Rooms whose plans would lie over each other at their door, by name. */
  readonly misfits: readonly (readonly [string, string])[];
  readonly measureUnit: LengthUnit;
  readonly onSave: (typed: PassageTyped) => Promise<ActionResult>;
  readonly onRemove: (passageId: string) => Promise<ActionResult>;
}

/** How the rooms are joined: the home from above, its halls and stairs, and how far it really is. */
export function HomeWays(props: HomeWaysProps) {
  const { sketch, rooms, passages, gaps, ways, misfits, measureUnit } = props;
  const [edited, setEdited] = useState<PassageTyped>();
  const { mutate, isPending } = useMutation();
  const names = { rooms, passages };
  return (
    <section aria-label="How the rooms are joined" className="panel mt-5 border-t-4 border-t-rim">
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-3 py-2">
        <h2 className="mr-auto text-[19px]">How the rooms are joined</h2>
        <Button onClick={() => setEdited(emptyPassage('hall'))}>
          <Plus size={16} aria-hidden="true" /> Hall or stairs
        </Button>
        <Button onClick={() => setEdited(emptyPassage('opening'))}>These two are joined</Button>
      </div>
      <div className="grid lg:grid-cols-[minmax(0,3fr)_minmax(280px,2fr)]">
        <div className="squared grid items-center p-2 [&_svg]:max-w-full">
          <SketchView sketch={sketch} label="The home from above, rooms to one scale" />
        </div>
        <div className="grid content-start gap-3 border-line p-3 max-lg:border-t lg:border-l">
          {passages.length > 0 && (
            <ul aria-label="Halls, stairs and openings" className="grid gap-1">
              {passages.map((passage) => (
                <li key={passage.id} className="flex items-start gap-1 text-[14.5px]">
                  <span className="mr-auto py-1.5">
                    {passageWords(
                      passage,
                      { ...names, doorsFrom: props.doorsFrom[passage.id] ?? [] },
                      measureUnit,
                    )}
                  </span>
                  <Button
                    aria-label={`Change ${passage.name}`}
                    onClick={() => setEdited(toTypedPassage(passage))}
                  >
                    <Pencil size={15} aria-hidden="true" />
                  </Button>
                  <Button
                    aria-label={`Remove ${passage.name}`}
                    disabled={isPending}
                    onClick={() =>
                      void mutate(() => props.onRemove(passage.id), { offersUndo: true })
                    }
                  >
                    <X size={15} aria-hidden="true" />
                  </Button>
                </li>
              ))}
            </ul>
          )}
          {misfits.map(([room, other]) => (
            <p key={`${room} ${other}`} className="warn">
              {room} and {other} would lie over each other at their door: a wall or the door’s place
              is measured wrongly, or they are on two floors. They are drawn apart.
            </p>
          ))}
          {gaps.length > 0 && (
            <ul aria-label="What is assumed" className="grid gap-1 text-[14px] text-signal-deep">
              {gaps.map((gap, i) => (
                <li key={i}>{wayGapWords(gap, names)}</li>
              ))}
            </ul>
          )}
          {ways.length > 0 && (
            <details>
              <summary className="caption min-h-12 content-center">
                How far it is from room to room
              </summary>
              <ul className="grid gap-0.5 text-[14px]">
                {ways.map((way) => (
                  <li key={`${way.from} ${way.to}`}>{wayWords(way)}</li>
                ))}
              </ul>
              <p className="mt-1 text-[13px] text-soft">
                From middle to middle on foot, straight across rooms; stairs as level metres that
                take as long.
              </p>
            </details>
          )}
          <p className="text-[13.5px] text-soft">
            What a door leads to is said on the door: in its room, tap the door in the plan.
          </p>
        </div>
      </div>
      {edited && (
        <PassageSheet
          typed={edited}
          rooms={rooms}
          passages={passages.filter(({ id, kind }) => id !== edited.id && kind !== 'opening')}
          measureUnit={measureUnit}
          onSave={props.onSave}
          onDone={() => setEdited(undefined)}
        />
      )}
    </section>
  );
}
