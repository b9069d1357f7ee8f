import { withWalkLine, type Look, type WalkLine } from '../again';
import { markVisit, packFor, tickSection, type Visit } from '../visits';
import type { FieldCommand } from './acts';

/** What was said on a device that the desk has not answered for, and when. */
export type WaitingCommand = FieldCommand & { readonly at: string };

/** A visit as it will be once the desk has what waits. */
export const visitWith = (kept: Visit, waiting: readonly WaitingCommand[]): Visit =>
  waiting.reduce((visit: Visit, each) => {
    if (!('visitId' in each) || each.visitId !== visit.id) return visit;
    if (each.kind === 'visit_mark') return markVisit(visit, each.mark, each.at);
    if (each.kind === 'section_done') return tickSection(visit, each.sectionId, each.isDone);
    if (each.kind === 'packed') return packFor(visit, each);
    const { done, promised, next, correctedMinutes } = each;
    return { ...visit, done, promised, next, correctedMinutes };
  }, kept);

interface Walk {
  readonly look: Look;
  readonly lines: readonly WalkLine[];
}

/** A walk as it will be once the desk has what waits. */
export const walkWith = (kept: Walk, waiting: readonly WaitingCommand[]): Walk =>
  waiting.reduce((walk: Walk, each) => {
    const isOfIt =
      'look' in each &&
      each.look.roomId === walk.look.roomId &&
      each.look.kind === walk.look.kind &&
      each.look.plannedOn === walk.look.plannedOn;
    if (!isOfIt) return walk;
    return each.kind === 'walk_line'
      ? { ...walk, lines: withWalkLine(walk.lines, each.line) }
      : { ...walk, look: { ...walk.look, doneOn: each.doneOn } };
  }, kept);
