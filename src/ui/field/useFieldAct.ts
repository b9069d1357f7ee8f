'use client';

import { useParams, useRouter } from 'next/navigation';
import { startTransition, useEffect } from 'react';

import type { FieldCommand, WaitingCommand } from '@/core/field';
import { type RoomId, type ProjectId, toId } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { createUuid } from '../createUuid';
import { useOutbox } from '../outbox/useOutbox';
import { showNotice } from '../primitives/notices';
import { deviceMark, deviceName } from '../outbox/deviceNames';
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
  const entryOf = (command: FieldCommand): WaitingAct => {
    const id = createUuid();
    return {
      id,
      projectId: toId<ProjectId>(projectId),
      act: { id, at: new Date().toISOString(), by: deviceName(), device: deviceMark(), command },
      problem: '',
    };
  };
  const send = (command: FieldCommand): Promise<ActionResult> => {
    const entry = entryOf(command);
    // What a list shows at once stays until the page is read again.
    return held(entry, async () => {
      const refusal = await deliverActs([entry]);
      if (refusal !== undefined) return { ok: false, message: refusal };
      startTransition(() => router.refresh());
      return { ok: true, value: undefined };
    });
  };
  /**
   * Asks the desk by an action that says what came of it; where it does not answer, or something waits that
   * goes first, the same is kept on this device.
   */
  const saveOrKeep = <T>(
    ask: () => Promise<ActionResult<T>>,
    command: FieldCommand,
  ): Promise<ActionResult<T | undefined>> => held(entryOf(command), ask);
  return {
    send,
    saveOrKeep,
    act: (command: FieldCommand): Promise<ActionResult> => mutate(() => send(command)),
    isPending,
  };
}

/** Asks the desk, and holds on to what is asked for until it has answered: the page may be gone before. */
async function held<T>(
  entry: WaitingAct,
  ask: () => Promise<ActionResult<T>>,
): Promise<ActionResult<T | undefined>> {
  actOutbox.hold(entry);
  // What waits goes first: the order in which things were done is kept.
  if (await nothingWaits())
    try {
      const answer = await ask();
      actOutbox.letGo(entry);
      return answer;
    } catch {
      // No answer, or a fault that passes: it waits.
    }
  return wait(entry);
}

async function nothingWaits(): Promise<boolean> {
  await actOutbox.whenRead();
  return !somethingWaits();
}

/** Whether an act of this browser waits. Requires: its list was read, as it was once something was done. */
export const somethingWaits = (): boolean => actOutbox.getState().open.length > 0;

async function wait(entry: WaitingAct): Promise<ActionResult<undefined>> {
  await actOutbox.add([entry]);
  showNotice({ kind: 'done', words: WAITS });
  return { ok: true, value: undefined };
}

/** The room of this page. Requires: a page of a room. */
export const useRoomId = (): RoomId => toId<RoomId>(useParams<{ roomId: string }>().roomId);

/** Commands of this page's project that wait on this device, oldest first. */
export function useWaitingCommands(): readonly WaitingCommand[] {
  const { projectId } = useParams<{ projectId: string }>();
  return commandsOf(useOutbox(actOutbox).open, projectId);
}

/** By the list they were read from: many lines of a page ask for the same. */
const known = new WeakMap<readonly WaitingAct[], Map<string, readonly WaitingCommand[]>>();

function commandsOf(open: readonly WaitingAct[], projectId: string): readonly WaitingCommand[] {
  const ofList = known.get(open) ?? new Map<string, readonly WaitingCommand[]>();
  known.set(open, ofList);
  const commands =
    ofList.get(projectId) ??
    open
      .filter((entry) => entry.projectId === projectId)
      .map(({ act }) => ({ ...act.command, at: act.at }));
  ofList.set(projectId, commands);
  return commands;
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
