'use client';

import { useState } from 'react';

import { formatCount } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { useMutation } from '../useMutation';

interface AnswerFileDropProps {
  readonly onReceive: (
    text: string,
  ) => Promise<ActionResult<{ newCount: number; knownCount: number; strangeCount: number }>>;
}

/** Takes in what a client sent back: the file, or the text from their message. */
export function AnswerFileDrop({ onReceive }: AnswerFileDropProps) {
  const { mutate, isPending } = useMutation();
  const [text, setText] = useState('');
  const [said, setSaid] = useState('');
  const [isOver, setIsOver] = useState(false);
  const receive = async (raw: string) => {
    setSaid('');
    const received = await mutate(() => onReceive(raw));
    if (!received.ok) return;
    setText('');
    setSaid(receivedWords(received.value));
  };
  const readFile = async (file: File | undefined) => {
    if (file) await receive(await file.text());
  };
  return (
    <div
      className={`mt-3 rounded-md border-[1.5px] border-dashed p-3 ${isOver ? 'border-rim bg-rim-wash' : 'border-line'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setIsOver(true);
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setIsOver(false);
        void readFile(event.dataTransfer.files[0]);
      }}
    >
      <h3 className="text-[15.5px]">An answer file, or a message that holds one</h3>
      <textarea
        className="input mt-1.5 min-h-16 text-[14.5px]"
        aria-label="The message that was sent back"
        placeholder="Paste the message here, or drop the file"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button
          look="quiet"
          disabled={isPending || text.trim() === ''}
          onClick={() => void receive(text)}
        >
          Read the message
        </Button>
        <label className={buttonClass('plain', 'cursor-pointer focus-within:outline-2')}>
          Choose the file
          <input
            type="file"
            accept=".json,application/json,text/plain"
            className="sr-only"
            onChange={(event) => {
              void readFile(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
        </label>
      </div>
      <p role="status" className="mt-1 min-h-5 text-[14.5px]">
        {said}
      </p>
    </div>
  );
}

function receivedWords({
  newCount,
  knownCount,
  strangeCount,
}: {
  readonly newCount: number;
  readonly knownCount: number;
  readonly strangeCount: number;
}): string {
  const parts = [
    newCount === 0 ? 'Nothing new in it' : `${formatCount(newCount, 'answer')} to take, above`,
    ...(knownCount > 0 ? [`${knownCount} known already, counted once`] : []),
    ...(strangeCount > 0 ? [`${strangeCount} to questions that this page did not ask`] : []),
  ];
  return `${parts.join('; ')}.`;
}
