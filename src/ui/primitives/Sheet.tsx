'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';

import type { SheetProps } from './SheetDialog';
import { useAtRest } from './useAtRest';

const loadDialog = () => import('./SheetDialog');
const SheetDialog = dynamic(() => loadDialog().then((part) => part.SheetDialog));

/** A sheet of paper laid over the worktop; Escape puts it away. What it is made of comes after the page. */
export function Sheet(props: SheetProps) {
  useAtRest(loadDialog);
  const [wasOpen, setWasOpen] = useState(props.isOpen);
  if (props.isOpen && !wasOpen) setWasOpen(true);
  return props.isOpen || wasOpen ? <SheetDialog {...props} /> : null;
}
