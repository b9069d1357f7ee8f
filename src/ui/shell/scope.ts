import type { Step } from '@/core/desk';

/** The home, or one of its rooms: what a page is of. */
export type Scope = { readonly projectId: string; readonly roomId?: string | undefined };

/** The address of a scope: the home's first page; a room has none, so that it opens at a step. */
export const scopeBase = ({ projectId, roomId }: Scope): string =>
  roomId === undefined ? `/projects/${projectId}/home` : `/projects/${projectId}/rooms/${roomId}`;

export const stepHref = (scope: Scope, step: Step): string => `${scopeBase(scope)}/${step}`;
