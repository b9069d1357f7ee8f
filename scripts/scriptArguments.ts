/** A sentence for whoever started a script. */
export class SayError extends Error {}

/** What stands behind a flag on the command line. */
export function readOption(flag: string): string | undefined {
  const at = process.argv.indexOf(flag);
  if (at < 0) return undefined;
  const value = process.argv[at + 1];
  if (value === undefined || value.startsWith('--')) throw new SayError(`${flag} wants a value`);
  return value;
}

/** Runs a script; what fails is said in one line, and the exit code is 1. */
export function runScript(main: () => Promise<void>, failed: string): void {
  main().catch((error: unknown) => {
    const words = error instanceof Error ? error.message : String(error);
    process.stderr.write(`${failed}: ${words}.\n`);
    process.exitCode = 1;
  });
}
