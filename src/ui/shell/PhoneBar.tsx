'use client';

import clsx from 'clsx';
import { ChevronDown, ChevronLeft, ChevronRight } from 'lucide-react';
import { useState } from 'react';

import type { Step } from '@/core/desk';
import { Sheet } from '../primitives/Sheet';
import type { DividerStep } from './Dividers';
import { Link } from '../primitives/Link';

/** The home or a room, as the lid and the list of a phone show it. */
export interface PhonePlace {
  /** `home`, or the room's id. */
  readonly id: string;
  readonly name: string;
  readonly href: string;
  /** 0..1: how much of its work is done. */
  readonly doneRatio: number;
  readonly nextWords: string;
}

interface PhoneBarProps {
  readonly places: readonly PhonePlace[];
  readonly activeId: string;
  readonly steps: readonly DividerStep[];
  readonly activeStep: Step | undefined;
  readonly addRoomHref: string;
}

/** On a phone: where one is in one bar, and two lists under the thumb. */
export function PhoneBar({ places, activeId, steps, activeStep, addRoomHref }: PhoneBarProps) {
  const [open, setOpen] = useState<'places' | 'steps'>();
  const close = () => setOpen(undefined);
  const at = steps.findIndex(({ step }) => step === activeStep);
  const [before, after] = [steps[at - 1], steps[at + 1]];
  const item = 'flex min-h-12 flex-col justify-center rounded px-3 py-1.5 leading-snug';
  return (
    <nav
      aria-label="Where you are"
      className="no-print flex min-h-12 items-stretch border-b border-line bg-well md:hidden"
    >
      <OpenButton
        label="Home and rooms"
        value={places.find(({ id }) => id === activeId)?.name ?? ''}
        onOpen={() => setOpen('places')}
      />
      <Beside step={at > 0 ? before : undefined} label="Back">
        <ChevronLeft size={20} aria-hidden="true" />
      </Beside>
      <OpenButton label="Step" value={steps[at]?.name ?? 'Steps'} onOpen={() => setOpen('steps')} />
      <Beside step={after} label="Next">
        <ChevronRight size={20} aria-hidden="true" />
      </Beside>
      <Sheet
        title="The home and its rooms"
        isAtFoot
        isOpen={open === 'places'}
        onOpenChange={close}
      >
        <ul className="grid gap-1">
          {places.map(({ id, name, href, nextWords }) => (
            <li key={id}>
              <Link
                href={href}
                onClick={close}
                aria-current={id === activeId ? 'page' : undefined}
                className={clsx(item, id === activeId && 'bg-rim-wash')}
              >
                <b>{name}</b> <span className="text-[14px] text-soft">{nextWords}</span>
              </Link>
            </li>
          ))}
          <li>
            <Link
              href={addRoomHref}
              onClick={close}
              className={clsx(item, 'font-bold text-rim-deep')}
            >
              Add a room
            </Link>
          </li>
        </ul>
      </Sheet>
      <Sheet title="Steps" isAtFoot isOpen={open === 'steps'} onOpenChange={close}>
        <ol className="grid gap-1">
          {steps.map(({ step, name, href, word, isMissing }) => (
            <li key={step}>
              <Link
                href={href}
                onClick={close}
                aria-current={step === activeStep ? 'step' : undefined}
                className={clsx(
                  'flex min-h-12 items-center justify-between rounded px-3',
                  step === activeStep && 'bg-rim-wash',
                )}
              >
                <b>{name}</b>{' '}
                <span className={clsx('text-[14px]', isMissing ? 'text-signal-deep' : 'text-soft')}>
                  {word}
                </span>
              </Link>
            </li>
          ))}
        </ol>
      </Sheet>
    </nav>
  );
}

function OpenButton({
  label,
  value,
  onOpen,
}: {
  label: string;
  value: string;
  onOpen: () => void;
}) {
  return (
    <button
      type="button"
      aria-haspopup="dialog"
      aria-label={`${label}: ${value}`}
      onClick={onOpen}
      className="flex min-w-0 flex-1 items-center justify-center gap-1 px-2 font-head text-[15px] font-[620] text-rim-deep"
    >
      <span className="truncate">{value}</span>
      <ChevronDown size={16} className="shrink-0" aria-hidden="true" />
    </button>
  );
}

/** The step beside; its place stays where there is none. */
function Beside({
  step,
  label,
  children,
}: {
  step: DividerStep | undefined;
  label: string;
  children: React.ReactNode;
}) {
  const place = 'grid w-11 shrink-0 place-items-center border-x border-line';
  if (!step) return <span className={place} />;
  return (
    <Link href={step.href} aria-label={`${label}: ${step.name}`} className={place}>
      {children}
    </Link>
  );
}
