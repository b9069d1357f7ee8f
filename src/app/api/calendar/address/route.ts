import { handler } from '@/app/api/handler';

/**
 * Where a calendar program on this machine subscribes. A paired device never comes here: the gateway
 * answers it with an address of its own.
 */
export const GET = handler((request: Request) =>
  Response.json({
    address: `http://${request.headers.get('host') ?? '127.0.0.1'}/api/calendar`,
    isOfDevice: false,
  }),
);
