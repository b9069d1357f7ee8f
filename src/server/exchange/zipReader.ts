import 'server-only';

import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { promisify } from 'node:util';
import yauzl, { type Entry, type ZipFile } from 'yauzl';

import { err, ok, type Result } from '@/core/shared';

export type ZipFault =
  | { readonly code: 'not_a_zip' }
  | { readonly code: 'zip_too_large'; readonly maxBytes: number }
  | { readonly code: 'zip_too_many'; readonly maxEntries: number }
  | { readonly code: 'entry_twice'; readonly file: string };

interface ZipLimits {
  readonly maxEntries: number;
  readonly maxUnpackedBytes: number;
}

/** A zip on the disk of which any file can be read at any time; only its directory is held. */
export class ZipReader {
  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
  ) {}

  /** Reads the directory of a zip. What it announces beyond the limits is not unpacked at all. */
  static async open(file: string, limits: ZipLimits): Promise<Result<ZipReader, ZipFault>> {
    let zip: ZipFile;
    try {
      zip = await openZip(file, { lazyEntries: true, autoClose: false });
    } catch {
      return err({ code: 'not_a_zip' });
    }
    const entries = await listEntries(zip, limits).catch(() => err({ code: 'not_a_zip' as const }));
    if (entries.ok) return ok(new ZipReader(zip, entries.value));
    zip.close();
    return entries;
  }

  /** How many bytes a file holds; undefined where there is no such file. */
  sizeOf(name: string): number | undefined {
    return this.entries.get(name)?.uncompressedSize;
  }

  /** A file piece by piece; never more than it announces. @throws where it is not in the zip or damaged. */
  async stream(name: string): Promise<Readable> {
    const entry = this.entries.get(name);
    if (!entry) throw new Error(`the zip holds no ${name}`);
    const open = promisify<Entry, Readable>(this.zip.openReadStream.bind(this.zip));
    return open(entry);
  }

  async read(name: string): Promise<Buffer> {
    return buffer(await this.stream(name));
  }

  close(): void {
    this.zip.close();
  }
}

const openZip = promisify<string, yauzl.Options, ZipFile>(yauzl.open);

function listEntries(
  zip: ZipFile,
  { maxEntries, maxUnpackedBytes }: ZipLimits,
): Promise<Result<Map<string, Entry>, ZipFault>> {
  const entries = new Map<string, Entry>();
  let unpackedBytes = 0;
  return new Promise((resolve, reject) => {
    if (zip.entryCount > maxEntries) return resolve(err({ code: 'zip_too_many', maxEntries }));
    zip.on('error', reject);
    zip.on('end', () => resolve(ok(entries)));
    zip.on('entry', (entry: Entry) => {
      const file = entry.fileName;
      unpackedBytes += entry.uncompressedSize;
      if (unpackedBytes > maxUnpackedBytes)
        return resolve(err({ code: 'zip_too_large', maxBytes: maxUnpackedBytes }));
      if (entries.has(file)) return resolve(err({ code: 'entry_twice', file }));
      entries.set(file, entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
}
