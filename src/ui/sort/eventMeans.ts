import type { EventMeans } from '@/core/sort';
import { decisionIdSchema, thingIdSchema } from '@/core/shared';
import { createUuid } from '../createUuid';
import { serverNow } from './deviceClock';
import { deviceName } from '../outbox/deviceNames';

export const createThingId = () => thingIdSchema.parse(createUuid());

/** The clock, the device and fresh ids for an act on the bench. */
export const createMeans = (): EventMeans => ({
  now: serverNow(),
  device: deviceName(),
  actId: createUuid(),
  toDecisionId: (text) => decisionIdSchema.parse(text),
  createThingId,
});
