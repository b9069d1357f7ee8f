/**
 * The text of a file from a spreadsheet program: by its mark where it has one; UTF-16 without a mark by
 * its empty bytes; UTF-8 where it is that throughout; otherwise Windows-1252, which older programs write.
 * Source: WHATWG Encoding Standard, 6 (marks); UTF-8 in other encodings' text is all but impossible.
 */
export function decodeText(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const wide = findWideEncoding(bytes);
  if (wide) return new TextDecoder(wide).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return fromWindows1252(bytes);
  }
}

/** Western text in UTF-16 has an empty byte in every second place; other text has none. */
function findWideEncoding(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  const head = bytes.subarray(0, 400);
  let even = 0;
  let odd = 0;
  head.forEach((byte, i) => {
    if (byte !== 0) return;
    if (i % 2 === 0) even += 1;
    else odd += 1;
  });
  const enough = head.length * 0.3;
  if (odd > enough && even === 0) return 'utf-16le';
  return even > enough && odd === 0 ? 'utf-16be' : undefined;
}

/** Where Windows-1252 departs from Latin-1, from byte 0x80 on. Node 20's own decoder reads it as Latin-1. */
const FROM_0X80 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

const fromWindows1252 = (bytes: Uint8Array): string =>
  Buffer.from(bytes)
    .toString('latin1')
    .replace(/[\u0080-\u009f]/g, (letter) => FROM_0X80[letter.charCodeAt(0) - 0x80] ?? letter);
