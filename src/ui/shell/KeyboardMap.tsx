'use client';

import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';

import { Sheet } from '../primitives/Sheet';
import { useKeys } from '../primitives/useKeys';
import { KEYS_EVENT } from './keysEvent';

/** What stands in the sheet comes when it is opened: it knows the words of the whole bench. */
const KeyLists = dynamic(() => import('./KeyLists').then(({ KeyLists }) => KeyLists));

/** Every key on one page, on one key, and on a button in the lid. */
export function KeyboardMap() {
  const [isOpen, setIsOpen] = useState(false);
  const open = () => setIsOpen(true);
  useKeys({ '?': open });
  useEffect(() => {
    window.addEventListener(KEYS_EVENT, open);
    return () => window.removeEventListener(KEYS_EVENT, open);
  }, []);
  return (
    <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="Keys">
      {isOpen && <KeyLists />}
    </Sheet>
  );
}
