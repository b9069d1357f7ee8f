import { ServerFault } from './Outbox';

/** What every route says where it cannot do what it was asked. */
interface ErrorBody {
  readonly error?: { readonly message?: string };
}

/**
 * Reads an answer, and why it is a refusal where it is one; undefined where it is none.
 * Throws `ServerFault` where it is a fault of the server's, which passes, and what reading throws
 * where it is no answer of ours, a hotel's page for instance: that counts as a broken line.
 */
export async function readServerAnswer<B extends object>(
  response: Response,
): Promise<{ readonly body: Partial<B>; readonly refusal: string | undefined }> {
  const read = response.json() as Promise<Partial<B> & ErrorBody>;
  const words = (body: ErrorBody) =>
    body.error?.message ?? `the server answered ${response.status}`;
  if (response.status >= 500) throw new ServerFault(words(await read.catch(() => ({}))));
  const body = await read;
  return { body, refusal: response.ok ? undefined : words(body) };
}
