'use client';

import { Plus, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

import { moments, type Moment, type Picture, type VantagePoint } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { pictureOutbox } from './pictureOutbox';
import { MissedBefore, type MissedBeforeProps } from './MissedBefore';
import { PictureSlot } from './PictureSlot';
import { useOutbox } from '../outbox/useOutbox';
import { useMutation } from '../useMutation';

interface VantagePointsProps {
  readonly projectId: string;
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
  readonly shownMoments: readonly Moment[];
  readonly onAdd: ((name: string, inView: string) => Promise<ActionResult>) | undefined;
  readonly onRemove: ((vantagePointId: string) => Promise<ActionResult>) | undefined;
  readonly onRemovePicture: (pictureId: string) => Promise<ActionResult>;
  readonly onMissed: MissedBeforeProps['onMissed'];
}

/** Spots that can be found again, with their pictures by moment. */
export function VantagePoints({
  projectId,
  vantagePoints,
  pictures,
  shownMoments,
  onAdd,
  onRemove,
  onRemovePicture,
  onMissed,
}: VantagePointsProps) {
  const router = useRouter();
  const { mutate } = useMutation();
  const hasCamera = useHasCamera();
  const hasBefore = ({ id }: VantagePoint) =>
    pictures.some(({ vantagePointId, moment }) => vantagePointId === id && moment === 'before');
  // A picture that arrives shows up, whatever page of the room it was sent from.
  useEffect(() => pictureOutbox.onKept(() => router.refresh()), [router]);
  return (
    <div className="grid gap-3">
      <OutboxNote />
      {vantagePoints.map((vantagePoint) => (
        <section key={vantagePoint.id} className="panel p-3">
          <div className="mb-1 flex items-center justify-between gap-2">
            <h3 className="text-[15.5px]">
              {vantagePoint.name}
              {vantagePoint.inView !== '' && (
                <span className="font-text text-[14px] font-normal text-soft">
                  {' '}
                  · in view: {vantagePoint.inView}
                </span>
              )}
            </h3>
            {onRemove && (
              <button
                type="button"
                aria-label={`Remove the spot ${vantagePoint.name}`}
                className="no-print grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
                onClick={() => void mutate(() => onRemove(vantagePoint.id), { offersUndo: true })}
              >
                <X size={16} />
              </button>
            )}
          </div>
          <div className="flex flex-wrap gap-3">
            {moments
              .filter((moment) => shownMoments.includes(moment))
              .map((moment) => (
                <PictureSlot
                  key={moment}
                  projectId={projectId}
                  vantagePoint={vantagePoint}
                  moment={moment}
                  pictures={pictures.filter(
                    (picture) =>
                      picture.vantagePointId === vantagePoint.id && picture.moment === moment,
                  )}
                  hasCamera={hasCamera}
                  onRemovePicture={onRemovePicture}
                />
              ))}
          </div>
          {shownMoments.includes('before') && !hasBefore(vantagePoint) && (
            <MissedBefore vantagePoint={vantagePoint} onMissed={onMissed} />
          )}
        </section>
      ))}
      {onAdd && <AddVantagePoint onAdd={onAdd} isFirst={vantagePoints.length === 0} />}
    </div>
  );
}

/** Whether a camera stands beside the app; without one there is nothing to press. */
function useHasCamera(): boolean {
  const [isThere, setIsThere] = useState(false);
  useEffect(() => {
    let isShown = true;
    fetch('/api/camera?there')
      .then(async (response) => {
        const said = (await response.json()) as { isThere?: boolean };
        if (isShown) setIsThere(response.ok && said.isThere === true);
      })
      .catch(() => undefined);
    return () => {
      isShown = false;
    };
  }, []);
  return isThere;
}

/** What is still on its way, over all spots. */
function OutboxNote() {
  const { open, fault, sentBytes } = useOutbox(pictureOutbox);
  if (open.length === 0) return null;
  const [sent, total] = [
    open.reduce((sum, { id }) => sum + (sentBytes[id] ?? 0), 0),
    open.reduce((sum, each) => sum + each.totalBytes, 0),
  ];
  return (
    <p
      role="status"
      aria-label="Pictures on the way"
      className="panel flex flex-wrap items-center gap-3 px-3 py-2 text-[14px]"
    >
      {fault?.code === 'no_connection'
        ? 'The connection is gone; it goes on from where it broke.'
        : 'Sending; go on working.'}{' '}
      <span className="measure">
        {open.length} left, {Math.round((sent / Math.max(1, total)) * 100)} %
      </span>
      <progress
        className="h-2 min-w-[120px] flex-1"
        value={sent}
        max={Math.max(1, total)}
        aria-label="Sent so far"
      />
    </p>
  );
}

function AddVantagePoint({
  onAdd,
  isFirst,
}: {
  onAdd: (name: string, inView: string) => Promise<ActionResult>;
  isFirst: boolean;
}) {
  const { mutate } = useMutation();
  const [name, setName] = useState('');
  const [inView, setInView] = useState('');
  const add = async () => {
    const result = await mutate(() => onAdd(name, inView));
    if (result.ok) {
      setName('');
      setInView('');
    }
  };
  return (
    <form
      className="no-print flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <label className="min-w-[240px] flex-1">
        <span className="caption mb-1 block">
          {isFirst ? 'First spot to photograph from, before anyone moves anything' : 'Another spot'}
        </span>
        <input
          className="input"
          placeholder="where you stand, e.g. from the back door"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label className="min-w-[200px] flex-1">
        <span className="caption mb-1 block">In view</span>
        <input
          className="input"
          placeholder="e.g. all four shelves and the bench"
          value={inView}
          maxLength={120}
          onChange={(event) => setInView(event.target.value)}
        />
      </label>
      <Button type="submit" disabled={name.trim() === ''}>
        <Plus size={16} aria-hidden="true" /> Add the spot
      </Button>
    </form>
  );
}
