import type { DataErrorCode } from '@/data/db';

interface FaultWords {
  /** Of an answer to a program. */
  readonly status: number;
  /** What a person reads: what happened, and what can be done. */
  readonly words: string;
}

/** Every fault of the data layer in words; the error page finds them by the code that an error carries. */
export const faultWords: Readonly<Record<DataErrorCode, FaultWords>> = {
  not_found: { status: 404, words: 'That is no longer there. Load the page again.' },
  picture_missing: {
    status: 404,
    words: 'The file of this picture is missing. Take it again or bring it in.',
  },
  changed_since: {
    status: 409,
    words: 'This was changed since, so it cannot be undone by itself.',
  },
  changed_meanwhile: {
    status: 409,
    words: 'Something was changed while this was worked out, so nothing was kept. Do it again.',
  },
  engines_busy: {
    status: 503,
    words: 'Too much is being worked out at once. Nothing was changed; try again in a minute.',
  },
  engine_failed: {
    status: 500,
    words: 'This could not be worked out. Nothing was changed; try again.',
  },
  id_reused: {
    status: 409,
    words: 'Something else carries the same id already; nothing was kept.',
  },
  not_whole: { status: 409, words: 'Not all of it has arrived. Send it again.' },
  name_differs: {
    status: 409,
    words: 'That is not the name of this home. Type it as it stands above.',
  },
  disk_full: {
    status: 507,
    words: 'The disk is full, so this was not kept. Make room on it and do this again.',
  },
  read_only: {
    status: 503,
    words:
      'The data folder cannot be written to, so this was not kept. Let it be written to and do this again.',
  },
  disk_fault: {
    status: 503,
    words:
      'The disk could not be read or written, so this was not kept. Look at the disk, and do this again.',
  },
  database_busy: {
    status: 503,
    words: 'Something else holds the data at the moment. Wait a little and do this again.',
  },
  database_damaged: {
    status: 503,
    words:
      'The database is damaged, so nothing is taken in. Stop Tin Box and bring back a backup; docs/reliability.md says how.',
  },
  database_newer: {
    status: 503,
    words: 'The data is from a newer version of Tin Box. Start that version.',
  },
  data_not_writable: {
    status: 503,
    words: 'The data folder cannot be written to. Name another, or let it be written to.',
  },
  data_held: {
    status: 503,
    words: 'Another Tin Box holds this data folder. Stop that one first.',
  },
};

/** What a fault that an error page was given by its code means; undefined where it is none of ours. */
export const wordsOfDigest = (digest: string | undefined): string | undefined =>
  Object.entries(faultWords).find(([code]) => code === digest)?.[1].words;
