'use client';

import type { FieldCommand } from '@/core/field';
import { WAITS_WORDS } from './fieldWords';
import { useWaitingCommands } from './useFieldAct';

/** Says beside something that what was said of it still waits on this device. */
export function Waits({ of }: { readonly of: (command: FieldCommand) => boolean }) {
  const waiting = useWaitingCommands();
  return waiting.some(of) ? <b className="text-signal-deep"> · {WAITS_WORDS}</b> : null;
}
