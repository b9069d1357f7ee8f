import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';

import { undoAction } from '@/app/actions/projects';
import { NewerVersion } from '@/ui/along/NewerVersion';
import { LargeText } from '@/ui/inHand/LargeText';
import { Notices } from '@/ui/primitives/Notices';
import { KeyboardMap } from '@/ui/shell/KeyboardMap';
import { PageWait } from '@/ui/shell/PageWait';
import './globals.css';
import { LOCALE } from '@/core/shared';

export const metadata: Metadata = { title: { default: 'Tin Box', template: '%s · Tin Box' } };
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: '#23407a',
};

/** Every page is made for this request: it shows private data, and its scripts carry a nonce. */
export const dynamic = 'force-dynamic';

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    // What was taken along says here when it was read.
    <html lang={LOCALE} suppressHydrationWarning>
      <head>
        {/* Asked for with the cookie, since nothing is given to a device that was not let in. */}
        <link rel="manifest" href="/manifest.webmanifest" crossOrigin="use-credentials" />
      </head>
      <body>
        {children}
        <PageWait />
        <KeyboardMap />
        <NewerVersion />
        <LargeText />
        <Notices onUndo={undoAction} />
      </body>
    </html>
  );
}
