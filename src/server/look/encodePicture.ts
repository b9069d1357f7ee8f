import 'server-only';

import sharp from 'sharp';

import { err, ok, type Result } from '@/core/shared';
import type { PictureBytes, PictureSize } from '@/data/pictureFiles';
import { encodingQueue } from './megapixelQueue';

export const MAX_PICTURE_BYTES = 25_000_000;
/** 60 megapixels: above what phones take, below what fills the memory. */
const MAX_PIXELS = 60_000_000;
/** The longer side in pixels: as taken by any phone; what pages show; what lists show. */
const SIDES_PX = { original: 8192, full: 2560, thumb: 640 } as const;
const SCREEN_SIDE_PX = 1280;
const ACCEPTED_FORMATS = new Set(['jpeg', 'png', 'webp', 'tiff', 'avif']);

export type PictureError =
  | { readonly code: 'picture_too_large'; readonly maxBytes: number }
  | { readonly code: 'not_a_picture' }
  /** A phone's HEIC: it cannot be read here, the phone can take or send JPEG instead. */
  | { readonly code: 'picture_is_heic' }
  | { readonly code: 'picture_damaged' };

interface Encoded extends PictureBytes {
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * Re-encodes a picture by what its bytes are: upright, JPEG, with no metadata left (no place, no time,
 * no device); once as it was taken, once for pages at 2560 px, once for lists. Many at once wait for
 * each other, by their megapixels.
 */
export async function encodePicture(bytes: Uint8Array): Promise<Result<Encoded, PictureError>> {
  if (bytes.byteLength > MAX_PICTURE_BYTES)
    return err({ code: 'picture_too_large', maxBytes: MAX_PICTURE_BYTES });
  if (bytes.byteLength === 0) return err({ code: 'not_a_picture' });
  const facts = await sharp(bytes, OPTIONS)
    .metadata()
    .catch(() => undefined);
  if (!facts) return err({ code: isHeic(bytes) ? 'picture_is_heic' : 'not_a_picture' });
  // AVIF comes in the same wrapping as HEIC; only the way its pixels are packed tells them apart.
  const format = facts.format === 'heif' && facts.compression === 'av1' ? 'avif' : facts.format;
  if (format === 'heif') return err({ code: 'picture_is_heic' });
  if (!ACCEPTED_FORMATS.has(format)) return err({ code: 'not_a_picture' });
  const megapixels = (facts.width * facts.height) / 1e6;
  return encodingQueue().run(megapixels, () => encodeSizes(bytes));
}

// What was decoded is not asked for again; kept, it would only fill the memory.
sharp.cache(false);
const OPTIONS = { limitInputPixels: MAX_PIXELS, failOn: 'error' } as const;

/**
 * The sender's bytes are decoded once, for the original; the smaller ones are made of that. Turning a
 * picture holds all of its pixels, so once instead of three times is what keeps the memory small.
 */
async function encodeSizes(bytes: Uint8Array): Promise<Result<Encoded, PictureError>> {
  const resized = (from: Uint8Array, size: PictureSize) =>
    sharp(from, OPTIONS)
      .autoOrient()
      .flatten({ background: '#ffffff' })
      .resize(SIDES_PX[size], SIDES_PX[size], { fit: 'inside', withoutEnlargement: true });
  try {
    const original = await resized(bytes, 'original')
      .jpeg({ quality: 90 })
      .toBuffer({ resolveWithObject: true });
    const isLarger = Math.max(original.info.width, original.info.height) > SIDES_PX.full;
    // A picture that pages show as it is has no need to go through the original's losses.
    const source = isLarger ? original.data : bytes;
    const full = await resized(source, 'full')
      .jpeg({ quality: 84 })
      .toBuffer({ resolveWithObject: true });
    const thumb = await resized(source, 'thumb').jpeg({ quality: 78 }).toBuffer();
    return ok({
      original: isLarger ? original.data : undefined,
      full: full.data,
      thumb,
      widthPx: full.info.width,
      heightPx: full.info.height,
    });
  } catch {
    return err({ code: 'picture_damaged' });
  }
}

/** As large as a phone shows it, for a device that takes it along. */
export const toScreenSize = (bytes: Uint8Array): Promise<Buffer> =>
  sharp(bytes, OPTIONS)
    .resize(SCREEN_SIDE_PX, SCREEN_SIDE_PX, { fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 74 })
    .toBuffer();

/** Source: ISO/IEC 14496-12, the brand in the first box; ISO/IEC 23008-12 for its names. */
function isHeic(bytes: Uint8Array): boolean {
  const head = Buffer.from(bytes.subarray(4, 12)).toString('latin1');
  return /^ftyp(heic|heix|heim|heis|hevc|hevx|mif1|msf1)$/.test(head);
}
