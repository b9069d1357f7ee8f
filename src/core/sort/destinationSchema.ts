import { z } from 'zod';
import { roomIdSchema } from '../shared';
import { wayOutSchema } from './codeSchemas';

/** Where a thing goes: what its verdict asks for. A room by its id, so that renaming it loses nothing. */
export const destinationSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('room'), roomId: roomIdSchema }),
  z.object({ kind: z.literal('person'), name: z.string().trim().min(1).max(80) }),
  z.object({ kind: z.literal('way_out'), way: wayOutSchema }),
  z.object({ kind: z.literal('day'), on: z.iso.date() }),
]);
