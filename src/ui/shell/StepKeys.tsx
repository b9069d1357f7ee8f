'use client';

import { useRouter } from 'next/navigation';

import { useKeys } from '../primitives/useKeys';

interface StepKeysProps {
  /** Addresses of the steps, in the order of their number keys; empty where digits mean something else. */
  readonly stepHrefs: readonly string[];
  /** The home's first page; undefined where digits mean something else. */
  readonly homeHref: string | undefined;
  readonly previousHref: string | undefined;
  readonly nextHref: string | undefined;
}

/** Number keys go to the steps, 0 to the home's first page, brackets through the home and its rooms. */
export function StepKeys({ stepHrefs, homeHref, previousHref, nextHref }: StepKeysProps) {
  const router = useRouter();
  const go = (href: string | undefined) => () => {
    if (href !== undefined) router.push(href);
  };
  useKeys({
    ...Object.fromEntries(stepHrefs.map((href, i) => [String(i + 1), go(href)])),
    ...(homeHref === undefined ? {} : { '0': go(homeHref) }),
    '[': go(previousHref),
    ']': go(nextHref),
  });
  return null;
}
