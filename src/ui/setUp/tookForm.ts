import { z } from 'zod';

import { typedOptionalNumber } from '../typedValues';

/** How long a task took, as typed; nothing: nobody says. */
export const tookFormSchema = z
  .object({ minutes: typedOptionalNumber({ least: 1, most: 1440, what: 'minutes, or nothing' }) })
  .transform(({ minutes }) => ({ tookMinutes: minutes === null ? null : Math.round(minutes) }));
