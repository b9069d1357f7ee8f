import type { EventMeans } from '@/core/sort';
import { decisionIdSchema, thingIdSchema } from '@/core/shared';
import { deviceName } from './liveLog';

/** Random ids; a page that is not served from the machine itself has no ready-made ones. */
export function createUuid(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID();
  return [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

export const createThingId = () => thingIdSchema.parse(createUuid());

/** The clock, the device and fresh ids for an act on the bench. */
export const createMeans = (): EventMeans => ({ now: new Date().toISOString(), device: deviceName(), actId: createUuid(), toDecisionId: (text) => decisionIdSchema.parse(text), createThingId });
