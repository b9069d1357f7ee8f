/** Throws where our own code broke a promise; never used for input that a user can mend. */
export function invariant(condition: unknown, message: string): asserts condition {
  if (!condition) throw new Error(`invariant: ${message}`);
}

/** Closes the last branch over a union, so that a new member is a type error. */
export function assertNever(value: never): never {
  throw new Error(`invariant: unexpected ${JSON.stringify(value)}`);
}
