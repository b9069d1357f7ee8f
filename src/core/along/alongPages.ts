/** Pages of one step, below its address: the first is the step's own. */
export interface StepPages {
  readonly step: string;
  readonly home: readonly string[];
  readonly room: readonly string[];
}

interface AlongPagesOptions {
  readonly projectId: string;
  readonly steps: readonly StepPages[];
  readonly rooms: readonly { readonly id: string; readonly unitIds: readonly string[] }[];
}

/** Pages that are of no home, and lead to it. */
const ABOVE = ['/', '/days', '/go/bench', '/go/list'] as const;
/** Pages of a home beside its steps. */
const BESIDE = ['', '/days', '/statement', '/where'] as const;

/**
 * Addresses of every page of a home that is read on site, the home's own first, each once: what a
 * device without a connection can show is these.
 */
export function listAlongPages({ projectId, steps, rooms }: AlongPagesOptions): string[] {
  const home = `/projects/${projectId}/home`;
  const roomAt = (id: string): string => `/projects/${projectId}/rooms/${id}`;
  const below = (base: string, step: string, pages: readonly string[]): string[] =>
    pages.map((page) => [base, step, page].filter((part) => part !== '').join('/'));
  const pages = [
    ...BESIDE.map((path) => `${home}${path}`),
    ...ABOVE,
    ...steps.flatMap((each) => below(home, each.step, each.home)),
    ...rooms.flatMap(({ id, unitIds }) => [
      ...steps.flatMap((each) => below(roomAt(id), each.step, each.room)),
      `${roomAt(id)}/look?view=front`,
      `${roomAt(id)}/look/units/new`,
      ...unitIds.map((unitId) => `${roomAt(id)}/look/units/${unitId}`),
    ]),
  ];
  return [...new Set(pages)];
}
