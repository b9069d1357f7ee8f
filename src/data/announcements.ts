import 'server-only';

import { EventEmitter } from 'node:events';

import type { ProjectId } from '@/core/shared';

/** One a process, whichever bundle asks: routes are built apart but run together. */
const globalBell = globalThis as typeof globalThis & { tinboxBell?: EventEmitter };

function bell(): EventEmitter {
  if (!globalBell.tinboxBell) {
    globalBell.tinboxBell = new EventEmitter();
    // Every open bench listens.
    globalBell.tinboxBell.setMaxListeners(0);
  }
  return globalBell.tinboxBell;
}

/** Tells whoever listens that a project's log has grown; what was added is read from the log. */
export const announceDecisions = (projectId: ProjectId): void => void bell().emit(projectId);

/** Calls back whenever a project's log has grown, until the returned function is called. */
export function onDecisions(projectId: ProjectId, listener: () => void): () => void {
  bell().on(projectId, listener);
  return () => bell().off(projectId, listener);
}

const ANY_ANSWERS = 'answers';
const answersOf = (projectId: ProjectId): string => `answers ${projectId}`;

/** Tells whoever listens that a client of a project has answered, or that an answer was dealt with. */
export function announceAnswers(projectId: ProjectId): void {
  bell().emit(answersOf(projectId));
  bell().emit(ANY_ANSWERS);
}

/** Calls back whenever something of a project's answers has changed, until the returned function is called. */
export function onAnswers(projectId: ProjectId, listener: () => void): () => void {
  bell().on(answersOf(projectId), listener);
  return () => bell().off(answersOf(projectId), listener);
}

/** As `onAnswers`, of every project. */
export function onAnyAnswers(listener: () => void): () => void {
  bell().on(ANY_ANSWERS, listener);
  return () => bell().off(ANY_ANSWERS, listener);
}
