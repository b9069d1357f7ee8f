import 'server-only';

import { randomUUID } from 'node:crypto';

/** The outside world that core does without: the clock and fresh ids. */
export const nowIso = (): string => new Date().toISOString();
export const createId = (): string => randomUUID();
