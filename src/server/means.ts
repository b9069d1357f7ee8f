import 'server-only';

import { randomUUID } from 'node:crypto';
import { format } from 'date-fns';

/** The outside world that core does without: the clock and fresh ids. */
export const nowIso = (): string => new Date().toISOString();
/** The day on this machine's calendar. */
export const today = (): string => format(new Date(), 'yyyy-MM-dd');
export const createId = (): string => randomUUID();
