/** Shorter waits are not worth a word. */
const SAID_AFTER_MS = 300;

type Listener = (isWaiting: boolean) => void;
const listeners = new Set<Listener>();
let waits = 0;

const tell = () => {
  for (const listener of listeners) listener(waits > 0);
};

/** Says that another page is on its way; the answer takes it back. */
export function waitForPage(): () => void {
  let isSaid = false;
  const timer = setTimeout(() => {
    isSaid = true;
    waits += 1;
    tell();
  }, SAID_AFTER_MS);
  return () => {
    clearTimeout(timer);
    if (!isSaid) return;
    waits -= 1;
    tell();
  };
}

/** Hears whether a page is on its way; the answer ends it. */
export function onPageWait(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
