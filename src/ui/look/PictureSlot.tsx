'use client';
import clsx from 'clsx';

import { Camera, ImagePlus, Trash2, Video } from 'lucide-react';
import { useState, type ChangeEvent, type DragEvent } from 'react';

import type { Moment, Picture, VantagePoint } from '@/core/look';
import { formatCount } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { PrivatePicture } from '../primitives/PrivatePicture';
import { momentWords } from './lookWords';
import { pictureOutbox, toOutgoing, type OutgoingPicture } from './pictureOutbox';
import { useOutbox } from '../outbox/useOutbox';
import { useMutation } from '../useMutation';

interface PictureSlotProps {
  readonly projectId: string;
  readonly vantagePoint: VantagePoint;
  readonly moment: Moment;
  readonly pictures: readonly Picture[];
  /** A camera stands beside the app. */
  readonly hasCamera: boolean;
  readonly onRemovePicture: (pictureId: string) => Promise<ActionResult>;
}

/**
 * The pictures of one moment from one spot: the last one shown, others to come from a file, a
 * camera, or dropped here.
 */
export function PictureSlot({
  projectId,
  vantagePoint,
  moment,
  pictures,
  hasCamera,
  onRemovePicture,
}: PictureSlotProps) {
  const { mutate } = useMutation();
  const { open, refused, sentBytes } = useOutbox(pictureOutbox);
  const [problem, setProblem] = useState('');
  const isMine = (each: OutgoingPicture) =>
    each.vantagePointId === vantagePoint.id && each.moment === moment;
  const coming = open.filter(isMine);
  const mine = [...coming, ...refused.filter(isMine)];
  const picture = pictures.at(-1);
  const isAsked = moment === 'before' && !picture && mine.length === 0;
  const label = `${momentWords[moment]} picture, ${vantagePoint.name}`;
  const send = (files: readonly File[]) => {
    setProblem('');
    void pictureOutbox
      .add(
        toOutgoing(
          { projectId, vantagePointId: vantagePoint.id, moment },
          files.map((file) => ({ name: file.name, bytes: file })),
        ),
      )
      .catch(() => setProblem('The browser could not keep this picture. Is its storage full?'));
  };
  const choose = (event: ChangeEvent<HTMLInputElement>) => {
    const input = event.currentTarget;
    send([...(input.files ?? [])]);
    input.value = '';
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    send(
      [...event.dataTransfer.files].filter(
        (file) => file.type.startsWith('image/') || file.type === '',
      ),
    );
  };
  const takeBeside = async () => {
    const response = await fetch(
      `/api/camera?${new URLSearchParams({ spot: vantagePoint.name, moment })}`,
    ).catch(() => undefined);
    if (response?.ok)
      return send([new File([await response.blob()], 'camera.jpg', { type: 'image/jpeg' })]);
    const body = (await response?.json().catch(() => undefined)) as
      { error?: { message?: string } } | undefined;
    setProblem(body?.error?.message ?? 'No camera answers.');
  };
  const icon =
    'grid size-9 place-items-center rounded hover:bg-well focus-within:outline-3 focus-within:outline-rim max-md:size-12';
  return (
    <figure
      className={`w-[196px] max-md:w-[calc(50%-6px)] ${picture ? '' : 'print:hidden'}`}
      onDragOver={(event) => event.preventDefault()}
      onDrop={drop}
    >
      <div
        className={clsx(
          'relative grid aspect-[4/3] place-items-center overflow-hidden rounded-[5px] border',
          isAsked ? 'border-2 border-dashed border-signal bg-signal-wash' : 'border-line bg-paper',
        )}
      >
        {picture ? (
          <PrivatePicture
            pictureId={picture.id}
            size="thumb"
            alt={label}
            className="size-full object-cover"
            whenMissing="Take it again or bring it in."
          />
        ) : (
          <Camera size={26} className="text-soft" aria-hidden="true" />
        )}
        {coming.length > 0 && (
          <SendingNote
            sent={coming.reduce((sum, { id }) => sum + (sentBytes[id] ?? 0), 0)}
            total={coming.reduce((sum, each) => sum + each.totalBytes, 0)}
            count={coming.length}
          />
        )}
      </div>
      <figcaption className="mt-0.5 flex flex-wrap items-center justify-between text-[13.5px]">
        <b className="whitespace-nowrap">
          {momentWords[moment]}
          {pictures.length > 1 && <span className="font-normal text-soft"> {pictures.length}</span>}
        </b>
        <span className="no-print flex">
          <label className={icon} title="From files">
            <ImagePlus size={16} aria-hidden="true" />
            <input
              type="file"
              multiple
              accept="image/*"
              className="sr-only"
              aria-label={label}
              onChange={choose}
            />
          </label>
          <label className={`${icon} md:hidden`} title="Take one">
            <Camera size={16} aria-hidden="true" />
            <input
              type="file"
              accept="image/*"
              capture="environment"
              className="sr-only"
              aria-label={`Take the ${label}`}
              onChange={choose}
            />
          </label>
          {hasCamera && (
            <button
              type="button"
              className={icon}
              title="Take one with the camera beside the app"
              aria-label={`Take the ${label} with the camera beside the app`}
              onClick={() => void takeBeside()}
            >
              <Video size={16} />
            </button>
          )}
          {picture && (
            <button
              type="button"
              aria-label={`Remove the ${label}`}
              className={icon}
              onClick={() => void mutate(() => onRemovePicture(picture.id), { offersUndo: true })}
            >
              <Trash2 size={15} />
            </button>
          )}
        </span>
      </figcaption>
      {problem !== '' && (
        <p role="alert" className="warn mt-1">
          {problem}
        </p>
      )}
      {refused.filter(isMine).map((each) => (
        <p key={each.id} role="alert" className="warn mt-1">
          <b className="break-all">{each.name}</b>: {each.problem}{' '}
          <button
            type="button"
            className="underline"
            onClick={() => void pictureOutbox.settle([each.id], 'put_away')}
          >
            Put it away
          </button>
        </p>
      ))}
    </figure>
  );
}

function SendingNote({ sent, total, count }: { sent: number; total: number; count: number }) {
  return (
    <span className="absolute inset-x-0 bottom-0 bg-sheet/95 px-2 py-1 text-[12.5px]">
      {formatCount(count, 'picture')} on the way
      <progress
        className="block h-1.5 w-full"
        value={sent}
        max={Math.max(1, total)}
        aria-label="Sent so far"
      />
    </span>
  );
}
