'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

/** So long after the last letter the list follows. */
const PAUSE_MS = 200;

/** Finds kinds as one types; without a script Enter does it. */
export function KindsSearch({ sought }: { readonly sought: string }) {
  const router = useRouter();
  const [typed, setTyped] = useState(sought);
  useEffect(() => {
    if (typed === sought) return;
    const timer = setTimeout(
      () => router.replace(typed === '' ? '/kinds' : `/kinds?find=${encodeURIComponent(typed)}`),
      PAUSE_MS,
    );
    return () => clearTimeout(timer);
  }, [typed, sought, router]);
  return (
    <input
      type="search"
      name="find"
      aria-label="Find a kind of thing"
      placeholder="towel, jar, book"
      className="input w-[260px]"
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
    />
  );
}
