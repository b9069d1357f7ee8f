/**
 * Runs something while somebody sees this page, and stops it while nobody does: a phone in a pocket keeps no line
 * open. `isAgain` tells a later start from the first. Returns what ends it for good.
 */
export function whileSeen(start: (isAgain: boolean) => () => void): () => void {
  let stop: (() => void) | undefined;
  let starts = 0;
  const look = () => {
    if (document.hidden) {
      stop?.();
      stop = undefined;
    } else if (!stop) {
      stop = start(starts > 0);
      starts += 1;
    }
  };
  look();
  document.addEventListener('visibilitychange', look);
  return () => {
    document.removeEventListener('visibilitychange', look);
    stop?.();
  };
}
