/** Said to the service worker when every home that is taken along was fetched with this version. */
export const HOMES_ARE_NEW = 'homes_are_new';
/** Said to a waiting service worker that shall take over; Serwist's own word. */
export const TAKE_OVER = { type: 'SKIP_WAITING' } as const;
