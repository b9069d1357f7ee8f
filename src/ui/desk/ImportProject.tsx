'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState, type ChangeEvent } from 'react';

import { buttonClass } from '../primitives/Button';
import { FileProgressBar } from '../primitives/FileProgressBar';
import { sendFile, type FileProgress } from '../sendFile';

/** What the server takes at most. */
const MAX_BYTES = 600_000_000;

/** Brings a packed project in; it comes whole or not at all. */
export function ImportProject() {
  const router = useRouter();
  const [progress, setProgress] = useState<FileProgress>();
  const [message, setMessage] = useState('');
  const stop = useRef<AbortController>(undefined);
  const bringIn = async (event: ChangeEvent<HTMLInputElement>) => {
    const input = event.currentTarget;
    const file = input.files?.[0];
    if (!file) return;
    stop.current = new AbortController();
    setMessage('');
    setProgress({ stage: 'sending', done: 0, of: file.size });
    const sent = await sendFile<{ readonly projectId: string }>('/api/projects/import', file, {
      maxBytes: MAX_BYTES,
      onProgress: setProgress,
      signal: stop.current.signal,
    });
    setProgress(undefined);
    input.value = '';
    if (sent.ok) router.push(`/projects/${sent.value.projectId}`);
    else setMessage(sent.message);
  };
  return (
    <>
      <label className={`${buttonClass('plain')} focus-within:outline-3 focus-within:outline-rim`}>
        {progress ? 'Bringing in…' : 'Bring a project in'}
        <input
          type="file"
          accept=".zip,application/zip"
          className="sr-only"
          disabled={progress !== undefined}
          onChange={(event) => void bringIn(event)}
        />
      </label>
      {progress && <FileProgressBar progress={progress} onStop={() => stop.current?.abort()} />}
      {message !== '' && (
        <p role="alert" className="warn basis-full">
          {message}
        </p>
      )}
    </>
  );
}
