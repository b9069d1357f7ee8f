'use client';

import NextLink, { useLinkStatus } from 'next/link';
import { useEffect, useState, type ComponentProps } from 'react';

import { waitForPage } from './pageWait';

type LinkProps = Omit<ComponentProps<typeof NextLink>, 'prefetch'>;

/**
 * The one link of the application. The next page is fetched when somebody is about to go there, with
 * pointer, finger or focus, not for every link in sight; while it is on its way, the lid says so.
 */
export function Link({ children, ...rest }: LinkProps) {
  const [isMeant, setIsMeant] = useState(false);
  const mean = () => setIsMeant(true);
  return (
    <NextLink
      {...rest}
      prefetch={isMeant ? null : false}
      onPointerEnter={mean}
      onTouchStart={mean}
      onFocus={mean}
    >
      {children}
      <Waiting />
    </NextLink>
  );
}

/** Shows nothing itself: tells the page that it waits for another. */
function Waiting() {
  const { pending } = useLinkStatus();
  useEffect(() => (pending ? waitForPage() : undefined), [pending]);
  return null;
}
