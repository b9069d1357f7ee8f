'use client';

import dynamic from 'next/dynamic';
import type { FixtureSheetProps } from './FixtureForm';
import { useAtRest } from '../primitives/useAtRest';

import { Plus } from 'lucide-react';
import { useState } from 'react';

import { Button } from '../primitives/Button';
import { Sheet } from '../primitives/Sheet';

const loadForm = () => import('./FixtureForm');
const FixtureForm = dynamic(() => loadForm().then((part) => part.FixtureForm));

/** Doors, windows, sockets and what else stays where it is; and stations, where something is done. */
export function FixtureSheet({ outline, measureUnit, ends, onSave }: FixtureSheetProps) {
  const [isOpen, setIsOpen] = useState(false);
  useAtRest(loadForm);
  return (
    <>
      <Button onClick={() => setIsOpen(true)}>
        <Plus size={16} aria-hidden="true" /> Door, window, socket, station
      </Button>
      <Sheet isOpen={isOpen} onOpenChange={setIsOpen} title="What stays where it is">
        {isOpen && (
          <FixtureForm
            outline={outline}
            measureUnit={measureUnit}
            ends={ends}
            onSave={onSave}
            onDone={() => setIsOpen(false)}
          />
        )}
      </Sheet>
    </>
  );
}
