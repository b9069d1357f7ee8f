'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

import { whileSeen } from '../primitives/whileSeen';

/** Reads the desk again when a client of some home answers. */
export function RefreshOnAnswers() {
  const router = useRouter();
  useEffect(
    () =>
      whileSeen((isAgain) => {
        const source = new EventSource('/api/answers/stream');
        const read = () => router.refresh();
        source.addEventListener('answers', read);
        // What came in while nobody saw the page; only once the desk is there.
        if (isAgain) source.addEventListener('open', read, { once: true });
        return () => source.close();
      }),
    [router],
  );
  return null;
}
