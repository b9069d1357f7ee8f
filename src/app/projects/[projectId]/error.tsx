'use client';

import { useParams } from 'next/navigation';

import { wordsOfDigest } from '@/app/faultWords';
import { Button, buttonClass } from '@/ui/primitives/Button';
import { Link } from '@/ui/primitives/Link';

/** A page of a home that could not be made: the home is still there, and so is what was kept. */
export default function HomeErrorPage({
  error,
  reset,
}: {
  error: Error & { digest?: string };
  reset: () => void;
}) {
  const { projectId } = useParams<{ projectId: string }>();
  const known = wordsOfDigest(error.digest);
  return (
    <main className="mx-auto max-w-[560px] p-8">
      <h1 className="mb-2 text-[26px]">This page could not be made</h1>
      <p role="alert" className="warn mb-4">
        {known ??
          'The server did not answer, or something broke. What was kept before is still kept.'}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={reset}>
          Try again
        </Button>
        <Link className={buttonClass('quiet')} href={`/projects/${projectId}/home`}>
          The home’s first page
        </Link>
      </div>
      {error.digest !== undefined && known === undefined && (
        <p className="mt-4 text-[13.5px] text-soft">
          If it stays, keep this number: {error.digest}
        </p>
      )}
    </main>
  );
}
