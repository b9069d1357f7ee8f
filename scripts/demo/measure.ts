import { invariant, parseLength, type Length } from '@/core/shared';

/** A length of the demo, typed as on site; bare numbers are centimetres. */
export function measure(text: string): Length {
  const length = parseLength(text, 'cm');
  invariant(length.ok, `demo measure ${text}`);
  return length.value;
}
