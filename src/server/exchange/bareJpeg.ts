/**
 * Whether bytes are a JPEG as Tin Box writes it: nothing but what the picture needs, no place for
 * metadata, nothing behind its end. Then it may be kept as it is; anything else is encoded anew.
 * Source: ITU-T T.81 annex B (segments); B.1.1.5 (bytes FF within a scan are followed by 0 or a restart).
 */
export function isBareJpeg(bytes: Uint8Array): boolean {
  if (bytes[0] !== 0xff || bytes[1] !== SOI) return false;
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] ?? 0;
    if (marker === SOS) return endsWithItsScans(bytes, at);
    if (!PLAIN.has(marker) && !isJfif(bytes, at)) return false;
    at += 2 + lengthAt(bytes, at + 2);
  }
  return false;
}

const SOI = 0xd8;
const EOI = 0xd9;
const SOS = 0xda;
const APP0 = 0xe0;
/** Frames, tables and restart intervals; of the applications' segments only JFIF's own. */
const PLAIN = new Set([0xc0, 0xc1, 0xc2, 0xc4, 0xdb, 0xdd]);

const lengthAt = (bytes: Uint8Array, at: number): number =>
  ((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0);

/** JFIF holds pixel shape and, in its longer form, a small picture; only the short form is ours. */
const isJfif = (bytes: Uint8Array, at: number): boolean =>
  bytes[at + 1] === APP0 &&
  lengthAt(bytes, at + 2) === 16 &&
  Buffer.from(bytes.subarray(at + 4, at + 9)).toString('latin1') === 'JFIF\0';

/** From the first scan on: scans, tables between them, and the end as the last two bytes. */
function endsWithItsScans(bytes: Uint8Array, from: number): boolean {
  let at = from;
  while (at + 1 < bytes.length) {
    if (bytes[at] !== 0xff) {
      at += 1;
      continue;
    }
    const marker = bytes[at + 1] ?? 0;
    const isRestart = marker >= 0xd0 && marker <= 0xd7;
    if (marker === 0 || isRestart) at += 2;
    else if (marker === EOI) return at + 2 === bytes.length;
    else if (marker === SOS || PLAIN.has(marker)) at += 2 + lengthAt(bytes, at + 2);
    else return false;
  }
  return false;
}
