'use client';

import { wordsOfDigest } from './faultWords';
import { Button } from '@/ui/primitives/Button';

/** What is shown when something of ours broke; what was kept stays kept. */
export default function ErrorPage({
  error,
  reset,
}: {
  error: Error & { digest?: string };
  reset: () => void;
}) {
  const known = wordsOfDigest(error.digest);
  return (
    <main className="mx-auto max-w-[560px] p-8">
      <h1 className="mb-2 text-[26px]">That did not work</h1>
      {known !== undefined && (
        <p role="alert" className="warn mb-4">
          {known}
        </p>
      )}
      <p className="mb-4">
        What was kept before is still kept. Try again; if it stays, start Tin Box again
        {error.digest && known === undefined ? ` and keep this number: ${error.digest}` : ''}.
      </p>
      <Button look="main" onClick={reset}>
        Try again
      </Button>
    </main>
  );
}
