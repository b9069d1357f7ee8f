'use client';

import { useState } from 'react';

import type { AgreementChange } from '@/core/agree';
import { formatCount } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { agreementChangeWords } from './agreeWords';

interface AgreedNoteProps {
  readonly projectId: string;
  readonly last:
    | {
        readonly dayWords: string;
        readonly agreedBy: string;
        readonly changes: readonly AgreementChange[];
      }
    | undefined;
  readonly names: readonly string[];
  readonly onAgree: (agreedBy: string) => Promise<ActionResult>;
}

/** Whether the client has agreed to what stands here, and what changed since. */
export function AgreedNote({ projectId, last, names, onAgree }: AgreedNoteProps) {
  const { mutate } = useMutation();
  const [name, setName] = useState(last?.agreedBy ?? names[0] ?? '');
  const isCurrent = last !== undefined && last.changes.length === 0;
  const agree = async () => {
    await mutate(() => onAgree(name));
  };
  return (
    <section>
      <h2 className="caption mb-1 font-text">Agreement sheet</h2>
      {!last && <p className="text-[14.5px]">Not agreed yet. Show the sheet to the client.</p>}
      {last && (
        <p className="text-[14.5px]">
          Agreed with <b className="font-[650]">{last.agreedBy}</b> on {last.dayWords}
          {isCurrent ? '.' : `; ${formatCount(last.changes.length, 'change')} since:`}
        </p>
      )}
      {last && last.changes.length > 0 && (
        <ul className="warn mt-1.5 grid gap-1">
          {last.changes.slice(0, 5).map((change, i) => (
            <li key={i}>
              <b>{change.label}</b> {agreementChangeWords(change)}
            </li>
          ))}
          {last.changes.length > 5 && <li>and {last.changes.length - 5} more on the sheet</li>}
        </ul>
      )}
      <div className="mt-2 grid gap-2">
        <div className="grid grid-cols-2 gap-2">
          <a
            className={buttonClass('quiet')}
            href={`/api/projects/${projectId}/agreement`}
            target="_blank"
            rel="noreferrer"
          >
            Open sheet
          </a>
          <a
            className={buttonClass('quiet')}
            href={`/api/projects/${projectId}/agreement?format=pdf`}
            download
          >
            PDF
          </a>
        </div>
        {!isCurrent && (
          <div className="flex items-end gap-2">
            <label className="min-w-0 flex-1">
              <span className="caption mb-1 block">Agreed with</span>
              <input
                className="input"
                value={name}
                maxLength={60}
                onChange={(event) => setName(event.target.value)}
              />
            </label>
            <Button look="main" disabled={name.trim() === ''} onClick={() => void agree()}>
              Agreed
            </Button>
          </div>
        )}
      </div>
    </section>
  );
}
