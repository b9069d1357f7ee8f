'use client';

import { useRouter } from 'next/navigation';
import { useState, type ChangeEvent } from 'react';

import { buttonClass } from '../primitives/Button';

/** Brings a packed project in; it comes whole or not at all. */
export function ImportProject() {
  const router = useRouter();
  const [state, setState] = useState<{ readonly isBusy: boolean; readonly message: string }>({
    isBusy: false,
    message: '',
  });
  const bringIn = async (event: ChangeEvent<HTMLInputElement>) => {
    const input = event.currentTarget;
    const file = input.files?.[0];
    if (!file) return;
    setState({ isBusy: true, message: '' });
    try {
      const response = await fetch('/api/projects/import', {
        method: 'POST',
        headers: { 'content-type': 'application/zip' },
        body: file,
      });
      const body = (await response.json()) as { projectId?: string; error?: { message: string } };
      if (!response.ok || body.projectId === undefined)
        setState({ isBusy: false, message: body.error?.message ?? 'The file could not be read.' });
      else {
        setState({ isBusy: false, message: '' });
        router.push(`/projects/${body.projectId}`);
      }
    } catch {
      setState({ isBusy: false, message: 'The file did not arrive; nothing was brought in.' });
    }
    input.value = '';
  };
  return (
    <>
      <label className={`${buttonClass('plain')} focus-within:outline-3 focus-within:outline-rim`}>
        {state.isBusy ? 'Bringing in…' : 'Bring a project in'}
        <input
          type="file"
          accept=".zip,application/zip"
          className="sr-only"
          disabled={state.isBusy}
          onChange={(event) => void bringIn(event)}
        />
      </label>
      {state.message !== '' && (
        <p role="alert" className="warn basis-full">
          {state.message}
        </p>
      )}
    </>
  );
}
