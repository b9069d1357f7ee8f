import type { Moment } from '@/core/look';

/** A picture on its way. Its id is made here, so that sending it twice makes one picture. */
export interface OutgoingPicture {
  readonly id: string;
  readonly projectId: string;
  /** Both null for the picture of a thing in hand. */
  readonly vantagePointId: string | null;
  readonly moment: Moment | null;
  readonly name: string;
  readonly totalBytes: number;
  readonly sentBytes: number;
  /** Why it was refused; empty while it can still go. */
  readonly problem: string;
}
/** As it lies in the browser's database, with its bytes. */
export interface StoredPicture extends Omit<OutgoingPicture, 'sentBytes'> {
  readonly bytes: Blob;
}
