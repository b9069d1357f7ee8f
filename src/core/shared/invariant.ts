/** Throws where our own code broke a promise; never used for input that a user can mend. */
export function invariant(condition: unknown, message: string): asserts condition {
  if (!condition) throw new Error(`invariant: ${message}`);
}

/** Closes the last branch over a union, so that a new member is a type error. */
export function assertNever(value: never): never {
  throw new Error(`invariant: unexpected ${JSON.stringify(value)}`);
}

/**
 * Throws where a figure that an engine gives is none. Hot loops read arrays without asking whether
 * an index is there (`list[i]!`): one that is not makes NaN of every sum it is in, and ends here.
 */
export function checkFigures(figures: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(figures))
    invariant(!Number.isNaN(value), `${name} is not a number`);
}
