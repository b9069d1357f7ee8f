'use client';

import { useEffect, useState } from 'react';

/** The time, told again every so many ms; undefined until the page runs, for the server has another clock. */
export function useNow(everyMs: number): Date | undefined {
  const [now, setNow] = useState<Date>();
  useEffect(() => {
    const tell = () => setNow(new Date());
    const first = setTimeout(tell, 0);
    const timer = setInterval(tell, everyMs);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [everyMs]);
  return now;
}
