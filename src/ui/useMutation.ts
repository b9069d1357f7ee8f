'use client';

import { useCallback, useState } from 'react';

import { sayDeed } from './home/homeWords';
import { closeFaults, showNotice } from './primitives/notices';
import type { ActionResult } from './actionResult';
import { setOut } from './onItsWay';
import { noteAnswer } from './unanswered';

interface MutationOptions {
  /** What is said once it is done; nothing where the page shows it. */
  readonly done?: string;
  /** Offers to take it back at once: for what removes. */
  readonly offersUndo?: boolean;
}

const UNANSWERED =
  'The server did not answer; whether this was kept is not known. Load the page again to see.';

/**
 * The one way by which a page changes something. `isPending` while any change of the component is on
 * its way; what fails is said in the notice, by fields where a form has them, and loses nothing
 * that was typed. A form that `showsFields` says it there instead. The action's answer brings the page
 * along as it is then.
 */
export function useMutation({ showsFields = false }: { readonly showsFields?: boolean } = {}) {
  const [pendingCount, setPendingCount] = useState(0);
  const [fields, setFields] = useState<Readonly<Record<string, string>>>({});
  const mutate = useCallback(
    async <T>(
      work: () => Promise<ActionResult<T>>,
      { done, offersUndo = false }: MutationOptions = {},
    ): Promise<ActionResult<T>> => {
      closeFaults();
      setPendingCount((count) => count + 1);
      const arrive = setOut();
      const result = await work().then(
        (answer) => {
          noteAnswer(true);
          return answer;
        },
        (): ActionResult<T> => {
          noteAnswer(false);
          return { ok: false, message: UNANSWERED };
        },
      );
      arrive();
      setPendingCount((count) => count - 1);
      setFields(result.ok ? {} : (result.fields ?? {}));
      if (!result.ok) {
        const isSaidAtFields = showsFields && Object.keys(result.fields ?? {}).length > 0;
        if (!isSaidAtFields) showNotice({ kind: 'fault', words: faultWords(result) });
      } else if (offersUndo && result.undo)
        showNotice({
          kind: 'done',
          words: sentence(sayDeed(result.undo.deed)),
          undoOf: result.undo.projectId,
        });
      else if (done !== undefined) showNotice({ kind: 'done', words: done });
      return result;
    },
    [showsFields],
  );
  return { mutate, isPending: pendingCount > 0, fields };
}

/** The first field's own words where there are some: a field's path says nothing to a reader. */
const faultWords = ({
  message,
  fields = {},
}: {
  readonly message: string;
  readonly fields?: Readonly<Record<string, string>>;
}): string => Object.values(fields)[0] ?? message;

const sentence = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
