'use client';

import { useState } from 'react';

import type { ItemToFind, PutAwayItem, PutAwayTest } from '@/core/again';
import { arrangeFront, type Unit } from '@/core/look';
import { pictureFor, pictureStrokes } from '@/core/labels';
import { createUuid } from '../createUuid';
import { Button } from '../primitives/Button';
import { useFieldAct } from '../field/useFieldAct';

export interface RoomToSearch {
  readonly id: string;
  readonly name: string;
  readonly units: readonly Unit[];
}
export interface PersonToAsk {
  readonly id: string;
  readonly name: string;
  readonly readsPictures: boolean;
  /** What they would be asked next. */
  readonly items: readonly ItemToFind[];
}
interface TestRunProps {
  readonly projectId: string;
  readonly person: PersonToAsk;
  readonly rooms: readonly RoomToSearch[];
  readonly onEnd: () => void;
}

/** One thing after the other: what it is, and the rooms to tap in. Nothing says where anything lives. */
export function TestRun({ projectId, person, rooms, onEnd }: TestRunProps) {
  const { act, isPending } = useFieldAct();
  const [done, setDone] = useState<readonly PutAwayItem[]>([]);
  const [taps, setTaps] = useState<PutAwayItem['taps']>([]);
  const [roomId, setRoomId] = useState<string>();
  /** When the thing in hand was shown; undefined: nobody is ready yet. */
  const [beganAt, setBeganAt] = useState<number>();
  const asked = person.items[done.length];
  const start = () => {
    setBeganAt(performance.now());
    setTaps([]);
    // Everybody begins at the same door: the room that was tapped last must not help.
    setRoomId(rooms.length === 1 ? rooms[0]?.id : undefined);
  };
  const finish = (item: PutAwayItem) => {
    setDone([...done, item]);
    start();
  };
  const tap = (bayId: PutAwayItem['meantBayId']) => {
    if (!asked || beganAt === undefined) return;
    const seconds = (performance.now() - beganAt) / 1000;
    const next = [...taps, { bayId, seconds: Math.round(seconds * 10) / 10 }];
    setTaps(next);
    if (bayId === asked.meantBayId) finish({ ...asked, taps: next, isFound: true });
  };
  const keep = async () => {
    const test = {
      id: createUuid() as PutAwayTest['id'],
      projectId: projectId as PutAwayTest['projectId'],
      personId: person.id as PutAwayTest['personId'],
      personName: person.name,
      at: new Date().toISOString(),
      byPictures: person.readsPictures,
      items: [...done],
    };
    const kept = await act({ kind: 'test', test });
    if (kept.ok) onEnd();
  };
  if (!asked)
    return (
      <section aria-label="The end" className="panel border-t-4 border-t-rim p-5 text-center">
        <h1 className="text-[24px]">Thank you, {person.name}</h1>
        <p className="mt-1">
          That was all. What you looked for helps to put labels where they are needed.
        </p>
        <Button look="main" className="mt-3" disabled={isPending} onClick={() => void keep()}>
          Keep the test
        </Button>
      </section>
    );
  if (beganAt === undefined)
    return (
      <section
        aria-label="Before it begins"
        className="panel border-t-4 border-t-rim p-5 text-center"
      >
        <h1 className="text-[24px]">{person.name}</h1>
        <p className="mt-1">
          Where would you put each of these? Tap the room, then the place where you would look for
          it first.
        </p>
        <Button look="main" className="mt-3" onClick={start}>
          I am ready
        </Button>
      </section>
    );
  const room = rooms.find(({ id }) => id === roomId);
  return (
    <section aria-label="Where does it go?" className="grid gap-3">
      <div className="panel border-t-4 border-t-rim p-4 text-center">
        <p className="text-[14px] text-soft">
          {done.length + 1} of {person.items.length}
        </p>
        {person.readsPictures ? <Drawn name={asked.name} /> : null}
        <h1 className={person.readsPictures ? 'sr-only' : 'text-[28px]'}>{asked.name}</h1>
        <p role="status" className="min-h-6">
          {taps.length === 0 ? '' : 'Not there. Where else?'}
        </p>
      </div>
      <div role="group" aria-label="Rooms" className="flex flex-wrap gap-1.5">
        {rooms.map(({ id, name }) => (
          <Button
            key={id}
            look={id === roomId ? 'main' : 'plain'}
            aria-pressed={id === roomId}
            onClick={() => setRoomId(id)}
          >
            {name}
          </Button>
        ))}
      </div>
      {room && <Fronts room={room} tried={taps.map(({ bayId }) => bayId)} onTap={tap} />}
      <Button onClick={() => finish({ ...asked, taps, isFound: false })}>I do not find it</Button>
    </section>
  );
}

const PX_A_UNIT = 330;
const MOST_PX_A_MM = 0.5;

/** The units of a room from the front, to scale, each place to tap; without names of what is in them. */
function Fronts({
  room,
  tried,
  onTap,
}: {
  readonly room: RoomToSearch;
  readonly tried: readonly string[];
  readonly onTap: (bayId: PutAwayItem['meantBayId']) => void;
}) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      {[...room.units]
        .sort((a, b) => a.position - b.position)
        .map((unit) => {
          const front = arrangeFront([unit]).units[0];
          if (!front) return null;
          const { layout } = front;
          const scale = Math.min(MOST_PX_A_MM, PX_A_UNIT / layout.widthMm);
          return (
            <figure key={unit.id}>
              <div
                className="paper relative border-[1.5px] border-ink"
                style={{ width: layout.widthMm * scale, height: layout.heightMm * scale }}
              >
                {layout.bays.map((bay) => {
                  const isTried = tried.includes(bay.bayId);
                  const name = unit.bays.find(({ id }) => id === bay.bayId)?.name ?? '';
                  return (
                    <button
                      key={bay.bayId}
                      type="button"
                      disabled={isTried}
                      aria-label={`${unit.name}, ${name}${isTried ? ', not there' : ''}`}
                      className={`absolute min-h-6 border border-ink text-[12.5px] ${
                        isTried ? 'bg-well text-soft' : 'bg-white hover:bg-rim-wash'
                      }`}
                      style={{
                        left: bay.xMm * scale,
                        bottom: (bay.zMm - layout.floorGapMm) * scale,
                        width: bay.widthMm * scale,
                        height: bay.heightMm * scale,
                      }}
                      onClick={() => onTap(bay.bayId)}
                    >
                      {isTried ? 'not there' : ''}
                    </button>
                  );
                })}
              </div>
              <figcaption className="mt-1 text-[14px]">{unit.name}</figcaption>
            </figure>
          );
        })}
    </div>
  );
}

function Drawn({ name }: { readonly name: string }) {
  return (
    <svg
      viewBox="0 0 24 24"
      className="mx-auto size-24"
      role="img"
      aria-label={name}
      fill="none"
      stroke="#22201b"
      strokeWidth="1.4"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <path d={pictureStrokes(pictureFor(name))} />
    </svg>
  );
}
