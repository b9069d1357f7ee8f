import { headWordsOf } from './findKind';
import { stemOf, stemsOf } from './readWords';
import type { Family, Kind } from './readVocabulary';

interface KnownGroup<I extends string> {
  readonly id: I;
  readonly name: string;
}
interface KnownThing<I extends string> {
  readonly name: string;
  readonly groupId: I | null;
}

/** Less than this is one word in common that is not what the group is about. */
const LEAST_SCORE = 0.9;
/**
 * The group a thing goes with: the one whose name, or whose earlier things, share most words with it, or
 * whose name names its kind or kinds alike. Undefined where nothing speaks for any.
 */
export function createGroupFinder<I extends string>(
  groups: readonly KnownGroup<I>[],
  things: readonly KnownThing<I>[],
  {
    kindsIn,
    familiesIn,
  }: {
    readonly kindsIn: (text: string) => readonly Kind[];
    readonly familiesIn: (text: string) => readonly Family[];
  },
): (thing: string, kind: Kind | undefined) => I | undefined {
  const earlier = new Map<I, string[][]>();
  for (const { name, groupId } of things) {
    if (groupId === null) continue;
    const stems = headWordsOf(name).map(stemOf);
    earlier.set(groupId, [...(earlier.get(groupId) ?? []), stems]);
  }
  const known = groups.map((group) => {
    const kinds = kindsIn(group.name);
    return {
      id: group.id,
      stems: stemsOf(group.name),
      heads: new Set(group.name.split(/[,&/+]|\band\b/i).map((part) => stemsOf(part).at(-1) ?? '')),
      kindIds: new Set(kinds.map(({ id }) => id)),
      families: new Set([
        ...kinds.map(({ family }) => family),
        ...familiesIn(group.name).map(({ id }) => id),
      ]),
      earlier: earlier.get(group.id) ?? [],
    };
  });
  return (thing, kind) => {
    const words = new Set(headWordsOf(thing).map(stemOf));
    const overlap = (stems: readonly string[]) => stems.filter((stem) => words.has(stem)).length;
    let best: { readonly id: I; readonly score: number } | undefined;
    for (const group of known) {
      // "Hand tools" is about tools: a hand cream has only the other word of it.
      const isAbout = group.stems.some((stem) => words.has(stem) && group.heads.has(stem));
      const fromName = overlap(group.stems) * (isAbout ? 2 : 0.5);
      const fromThings = group.earlier.reduce((most, stems) => Math.max(most, overlap(stems)), 0);
      const fromKind = kind && group.kindIds.has(kind.id) ? 1.9 : 0;
      const fromFamily = kind && group.families.has(kind.family) ? 1 : 0;
      const score = Math.max(fromName, fromThings * 1.5, fromKind, fromFamily);
      if (score > (best?.score ?? LEAST_SCORE)) best = { id: group.id, score };
    }
    return best?.id;
  };
}
