import { litresIn } from './contents';
import { bearingRoles } from './codes';
import type { FitContainer, FitRequest } from './model';
import { findBayFault, roleOf, suits, type FitPin } from './suitability';
import type { Unfolded } from './unfold';

/** Tries at standing the kinds of a group in containers alike. */
const ALIKE_TRIES = 3;

/**
 * Pins under which the kinds of each group stand in containers alike, the cheapest first; at last those that are asked
 * for alone.
 */
export function listAlike({ question, alike }: Unfolded): (readonly FitPin[])[] {
  const asked = question.pins ?? [];
  if (alike.length === 0) return [asked];
  const choices = alike.map(({ kindIds }) => {
    const kinds = question.groups.filter(({ id }) => kindIds.includes(id));
    return question.containers
      .filter(
        (container) =>
          !bearingRoles.has(roleOf(container)) &&
          roleOf(container) !== 'divider' &&
          findBayFault(question, container) === undefined &&
          kinds.every((kind) => suits(question, container, kind)),
      )
      .map((container) => ({ container, counts: countFor(kinds, container) }))
      .filter(({ container, counts }) => counts <= (container.available ?? Infinity))
      .map(({ container, counts }) => ({
        pins: kindIds.map((groupId) => ({ groupId, containerId: container.id })),
        cost:
          counts * (container.priceMinor + container.outer.width * container.outer.depth * 1e-4),
      }))
      .sort((a, b) => a.cost - b.cost)
      .map(({ pins }) => pins);
  });
  const isAlike = (groupId: string) => alike.some(({ kindIds }) => kindIds.includes(groupId));
  const others = asked.filter(({ groupId }) => !isAlike(groupId));
  const ways: (readonly FitPin[])[] = [];
  for (let i = 0; i < ALIKE_TRIES; i += 1) {
    const chosen = choices.map((list) => list[Math.min(i, list.length - 1)] ?? []);
    if (i > 0 && choices.every((list) => list.length <= i)) break;
    if (chosen.some(({ length }) => length > 0)) ways.push([...others, ...chosen.flat()]);
  }
  return [...ways, asked];
}
const countFor = (kinds: FitRequest['groups'], container: FitContainer): number =>
  kinds.reduce((sum, kind) => sum + Math.ceil(kind.litres / litresIn(container, kind) - 1e-9), 0);
