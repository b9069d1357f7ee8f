'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

/** Reads the desk again when a client of some home answers. */
export function RefreshOnAnswers() {
  const router = useRouter();
  useEffect(() => {
    const source = new EventSource('/api/answers/stream');
    source.addEventListener('answers', () => router.refresh());
    return () => source.close();
  }, [router]);
  return null;
}
