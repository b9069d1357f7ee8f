/** Runs once when the server starts, before it answers anybody. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { startServer } = await import('./server/startServer');
  await startServer();
}
