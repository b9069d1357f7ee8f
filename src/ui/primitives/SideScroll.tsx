'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';

interface SideScrollProps {
  /** What is in it, for those who hear it. */
  readonly label: string;
  readonly className?: string;
  readonly children: ReactNode;
}

/**
 * What may be wider than its place: pushed sideways by hand, and by keys, since it takes the focus
 * where, and only where, something of it is out of sight; until that is measured, it takes it.
 */
export function SideScroll({ label, className = '', children }: SideScrollProps) {
  const ref = useRef<HTMLDivElement>(null);
  const [isWider, setIsWider] = useState(true);
  useEffect(() => {
    const box = ref.current;
    if (!box) return;
    const measure = () => setIsWider(box.scrollWidth > box.clientWidth + 1);
    const watch = new ResizeObserver(measure);
    watch.observe(box);
    for (const child of box.children) watch.observe(child);
    // What is put in later is measured as well.
    const changes = new MutationObserver(measure);
    changes.observe(box, { childList: true, subtree: true });
    measure();
    return () => {
      watch.disconnect();
      changes.disconnect();
    };
  }, []);
  return (
    <div
      ref={ref}
      // What is hidden for the eye stays in here, and does not widen the page.
      className={`relative overflow-x-auto ${className}`}
      {...(isWider ? { tabIndex: 0, role: 'region', 'aria-label': label } : {})}
    >
      {children}
    </div>
  );
}
