/** Engines know things by their ids, a person by their names. An id is never found inside a longer one. */
export const sayWithNames = (message: string, names: Readonly<Record<string, string>>): string =>
  Object.entries(names).reduce(
    (text, [id, name]) => text.replace(new RegExp(`(?<![\\w-])${id}(?![\\w-])`, 'g'), () => name),
    message,
  );
