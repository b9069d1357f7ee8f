/** Ids are made by clients (UUIDs) or shipped with the app (words); both fit this shape. */
export const ID_PATTERN = /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/;

/** An id as it stands in an address, or was just made. Throws where it is none. */
export function toId<Id extends string>(text: string): Id {
  if (!ID_PATTERN.test(text)) throw new TypeError(`"${text}" is not an id`);
  return text as Id;
}
