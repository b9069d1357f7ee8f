'use client';
import clsx from 'clsx';

import { Camera } from 'lucide-react';
import { useState, type ChangeEvent } from 'react';

import { pictureOutbox, toOutgoing } from '../look/pictureOutbox';

interface ThingPictureProps {
  readonly projectId: string;
  readonly pictureId: string | undefined;
  /** Told at once; the picture itself goes when there is a connection. */
  readonly onTaken: (pictureId: string) => void;
}

/** A picture of the thing in hand, from the phone's camera or a file. */
export function ThingPicture({ projectId, pictureId, onTaken }: ThingPictureProps) {
  const [problem, setProblem] = useState('');
  const choose = (event: ChangeEvent<HTMLInputElement>) => {
    const [file] = event.currentTarget.files ?? [];
    event.currentTarget.value = '';
    if (!file) return;
    setProblem('');
    const pictures = toOutgoing({ projectId, vantagePointId: null, moment: null }, [
      { name: file.name, bytes: file },
    ]);
    pictureOutbox
      .add(pictures)
      .then(() => pictures.forEach(({ id }) => onTaken(id)))
      .catch(() => setProblem('The browser could not keep this picture. Is its storage full?'));
  };
  const isTaken = pictureId !== undefined;
  return (
    <>
      <label
        className={clsx(
          'inline-flex min-h-8 items-center gap-1.5 rounded-[4px] border px-2 text-[13.5px]',
          'focus-within:outline-3 focus-within:outline-rim max-md:min-h-12',
          isTaken ? 'border-rim bg-rim-wash font-[650] text-rim-deep' : 'border-line bg-white',
        )}
      >
        <Camera size={15} aria-hidden="true" /> {isTaken ? 'Picture taken' : 'Picture'}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          aria-label="Picture of the thing in hand"
          onChange={choose}
        />
      </label>
      {problem !== '' && (
        <p role="alert" className="warn basis-full">
          {problem}
        </p>
      )}
    </>
  );
}
