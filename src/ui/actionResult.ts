/** What a server action tells a form: done, or what to mend and where. Nothing typed is lost. */
export type ActionResult<T = undefined> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly message: string;
      readonly fields?: Readonly<Record<string, string>>;
    };
