import type { KeptDeed } from '@/core/home';

/** What a server action tells a form: done, or what to mend and where. Nothing typed is lost. */
export type ActionResult<T = undefined> =
  | {
      readonly ok: true;
      readonly value: T;
      /** What undo would take back now: what the action just did. */
      readonly undo?: { readonly projectId: string; readonly deed: KeptDeed };
    }
  | {
      readonly ok: false;
      readonly message: string;
      readonly fields?: Readonly<Record<string, string>>;
    };
