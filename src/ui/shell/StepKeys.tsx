'use client';

import { useRouter } from 'next/navigation';

import { useKeys } from '../primitives/useKeys';

interface StepKeysProps {
  /** Addresses of the steps, in the order of their number keys; empty where digits mean something else. */
  readonly stepHrefs: readonly string[];
  readonly previousRoomHref: string | undefined;
  readonly nextRoomHref: string | undefined;
}

/** Number keys go to the steps, brackets to the rooms beside. */
export function StepKeys({ stepHrefs, previousRoomHref, nextRoomHref }: StepKeysProps) {
  const router = useRouter();
  const steps = Object.fromEntries(
    stepHrefs.map((href, i) => [String(i + 1), () => router.push(href)]),
  );
  useKeys({
    ...steps,
    '[': () => previousRoomHref !== undefined && router.push(previousRoomHref),
    ']': () => nextRoomHref !== undefined && router.push(nextRoomHref),
  });
  return null;
}
