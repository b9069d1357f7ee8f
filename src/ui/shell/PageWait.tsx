'use client';

import { useEffect, useState } from 'react';

import { onPageWait } from '../primitives/pageWait';

/** A line that runs along the lid while another page is on its way. */
export function PageWait() {
  const [isWaiting, setIsWaiting] = useState(false);
  useEffect(() => onPageWait(setIsWaiting), []);
  return (
    <div role="status" className="no-print pointer-events-none fixed inset-x-0 top-0 z-50">
      {isWaiting && (
        <>
          <progress className="block h-1.5 w-full rounded-none" aria-hidden="true" />
          <span className="sr-only">The page is on its way</span>
        </>
      )}
    </div>
  );
}
