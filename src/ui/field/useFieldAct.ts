'use client';

import { useParams, useRouter } from 'next/navigation';
import { startTransition, useEffect } from 'react';

import type { FieldCommand } from '@/core/field';
import { projectIdSchema } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { useOutbox } from '../outbox/useOutbox';
import { showNotice } from '../primitives/notices';
import { deviceName } from '../sort/liveLog';
import { useMutation } from '../useMutation';
import { actOutbox, deliverActs, type WaitingAct } from './actOutbox';

const WAITS = 'No connection: kept on this device, and sent as soon as there is one.';

/**
 * Does something on site: the desk is asked at once, and where it does not answer the act waits on this
 * device. Asked and waiting it has the same id, so that it counts once.
 * Requires: a page of a project.
 */
export function useFieldAct() {
  const router = useRouter();
  const projectId = useParams<{ projectId: string }>().projectId;
  const { mutate, isPending } = useMutation();
  const send = (command: FieldCommand): Promise<ActionResult> => {
    const id = createActId();
    const entry: WaitingAct = {
      id,
      projectId: projectIdSchema.parse(projectId),
      act: { id, at: new Date().toISOString(), by: deviceName(), command },
      problem: '',
    };
    // What a list shows at once stays until the page is read again.
    return keep(entry, () => startTransition(() => router.refresh()));
  };
  return {
    send,
    act: (command: FieldCommand): Promise<ActionResult> => mutate(() => send(command)),
    isPending,
  };
}

/** Also on pages that browsers do not count as secure and give no ids. */
const createActId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))]
    .map((byte) => byte.toString(16).padStart(2, '0'))
    .join('');

async function keep(entry: WaitingAct, refresh: () => void): Promise<ActionResult> {
  // What waits goes first: the order in which things were done is kept.
  if (actOutbox.getState().open.length === 0)
    try {
      const refusal = await deliverActs([entry]);
      if (refusal !== undefined) return { ok: false, message: refusal };
      refresh();
      return { ok: true, value: undefined };
    } catch {
      // No answer, or a fault that passes: it waits.
    }
  await actOutbox.add([entry]);
  showNotice({ kind: 'done', words: WAITS });
  return { ok: true, value: undefined };
}

/** Commands of this page's project that wait on this device, oldest first. */
export function useWaitingCommands(): readonly (FieldCommand & { readonly at: string })[] {
  const { projectId } = useParams<{ projectId: string }>();
  return useOutbox(actOutbox)
    .open.filter((entry) => entry.projectId === projectId)
    .map(({ act }) => ({ ...act.command, at: act.at }));
}

/** Reads the page again once the desk has everything that waited. */
export function useRefreshWhenSent(): void {
  const router = useRouter();
  useEffect(
    () =>
      actOutbox.onKept(() => {
        if (actOutbox.getState().open.length === 0) router.refresh();
      }),
    [router],
  );
}
