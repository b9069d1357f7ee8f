'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';

interface HomeEndProps {
  readonly name: string;
  readonly isAway: boolean;
  readonly onPutAway: (isAway: boolean) => Promise<ActionResult>;
  readonly onForget: (typedName: string) => Promise<ActionResult>;
}

/** What becomes of a home that is done: put away, or, at the client's wish, forgotten. */
export function HomeEnd({ name, isAway, onPutAway, onForget }: HomeEndProps) {
  const router = useRouter();
  const { mutate } = useMutation();
  const [isOpen, setIsOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const run = async (work: () => Promise<ActionResult>, after: () => void) => {
    if ((await mutate(work)).ok) after();
  };
  return (
    <section className="no-print">
      <h2 className="caption mb-1 font-text">When it is done</h2>
      <div className="flex flex-wrap gap-2">
        <Button look="plain" onClick={() => void mutate(() => onPutAway(!isAway))}>
          {isAway ? 'Take back to the desk' : 'Put this home away'}
        </Button>
        <Button look="plain" onClick={() => setIsOpen(true)}>
          Forget this home …
        </Button>
      </div>
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="Forget this home">
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void run(
              () => onForget(typed),
              () => router.push('/away'),
            );
          }}
        >
          <p>
            Everything of it goes for good: rooms, decisions, pictures, receipts, and what undo
            remembers. Nothing brings it back. What remains is a line that says that there was a
            home.
          </p>
          <p className="text-[14.5px] text-soft">
            Files that you saved or sent stay where they are, and backups hold it until they are
            replaced; the next page says which.
          </p>
          <TextField
            label={`Type its name to forget it: ${name}`}
            value={typed}
            autoComplete="off"
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="submit" look="main" disabled={typed.trim() !== name}>
            Forget it for good
          </Button>
        </form>
      </Sheet>
    </section>
  );
}
