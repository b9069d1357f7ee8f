import { cautionsOf, isFood, waysOutOf } from './cautions';
import type { CautionCode, CountUnit, GoesTo, Reason } from './codes';
import type { Holder } from './holders';
import { createKindFinder, type KindFinder, type Named } from './findKind';
import { findReasons } from './findReasons';
import { findMustAsk, readMustAsk } from './mustAsk';
import type { LengthUnit } from './readMeasures';
import { readLine, type ReadLine } from './readLine';
import type { OwnKind } from './piece';
import { sizeThing, type Figure, type Sized } from './sizeThing';
import { createGroupFinder } from './suggestGroup';
import type { Family, Kind } from './readVocabulary';

/** What a line was understood as. */
export interface ThingRead<G extends string> {
  /** The words without their number, as they are shown. */
  readonly name: string;
  readonly count: number;
  readonly unit: CountUnit;
  readonly kindId: string | undefined;
  /** Of kinds alike, where only their common name is known. */
  readonly familyId: string | undefined;
  readonly groupId: G | undefined;
  /** For all pieces. */
  readonly litres: Figure;
  readonly massG: Figure;
  /** Of one piece as it is stored. */
  readonly uprightMm: number | undefined;
  readonly longestMm: number | undefined;
  readonly reasons: readonly Reason[];
  readonly cautions: readonly CautionCode[];
  /** The likeliest first. */
  readonly goesTo: readonly GoesTo[];
  readonly mustAsk: string | undefined;
  /** The day on its pack. */
  readonly expiresOn: string | undefined;
}

export interface Vocabulary {
  readonly kinds: readonly Kind[];
  readonly families: readonly Family[];
}

/** What is known at a bench beside the vocabulary. */
export interface Known<G extends string> {
  readonly groups?: readonly { readonly id: G; readonly name: string }[];
  /** What was put in a group before. */
  readonly things?: readonly { readonly name: string; readonly groupId: G | null }[];
  /** What never leaves without asking, in the household's words. */
  readonly mustAsk?: readonly string[];
  readonly bareUnit?: LengthUnit;
}

const finders = new WeakMap<Vocabulary, Map<readonly OwnKind[], KindFinder<OwnKind>>>();
const NO_OWN: readonly OwnKind[] = [];
/** A list of own kinds changes seldom: few are kept. */
const MOST_FINDERS = 8;

/** The index of a vocabulary with the organizer's own kinds, made once. */
export function finderOf(
  vocabulary: Vocabulary,
  own: readonly OwnKind[] = NO_OWN,
): KindFinder<OwnKind> {
  const list = own.length === 0 ? NO_OWN : own;
  const known = finders.get(vocabulary) ?? new Map<readonly OwnKind[], KindFinder<OwnKind>>();
  finders.set(vocabulary, known);
  const before = known.get(list);
  if (before) return before;
  const finder = createKindFinder(vocabulary.kinds, vocabulary.families, list);
  if (known.size >= MOST_FINDERS) known.clear();
  known.set(list, finder);
  return finder;
}

/**
 * Reads lines as they are called out: `6 wool scarves, moth holes in two` → 6 × "wool scarves, moth holes in
 * two", worn out, litres and grams with a low and a high. Undefined where a line has no letter.
 * Deterministic. O(words of the line) each, after the index of the vocabulary is made.
 */
export function createThingReader<G extends string>(
  vocabulary: Vocabulary,
  own: readonly OwnKind[],
  { groups = [], things = [], mustAsk = [], bareUnit = 'cm' }: Known<G>,
): (text: string) => ThingRead<G> | undefined {
  const finder = finderOf(vocabulary, own);
  const findGroup = createGroupFinder(groups, things, finder);
  const wishes = readMustAsk(mustAsk, finder.kindsIn);
  return (text) => {
    const line = readLine(text, {
      bareUnit,
      isDated: (thing) => isDated(finder.find(thing)),
    });
    if (!line) return undefined;
    const { named, isWhole } = nameOf(line, finder);
    // "box of books" is a kind by itself: the box is counted, and its size is known.
    const counted = isWhole ? withoutHolder(line) : line;
    const sized = sizeThing(counted, named);
    const facts = { text, kind: named.kind, family: named.family, liftG: sized.liftG };
    const cautions = cautionsOf(facts);
    return {
      ...roundedFigures(sized),
      name: line.name,
      count: sized.count,
      unit: isWhole && isHeld(line.quantity.holder) ? 'holder' : sized.unit,
      kindId: named.own?.words[0] ?? named.kind?.id,
      familyId: named.kind?.family ?? named.family?.id,
      groupId: findGroup(line.name, named.kind),
      reasons: findReasons(line.name),
      cautions,
      goesTo: waysOutOf(facts, cautions),
      mustAsk: findMustAsk(wishes, { text: line.name, kind: named.kind }),
      expiresOn: line.expiresOn,
    };
  };
}

interface NamedLine {
  readonly named: Named<OwnKind>;
  /** The holder or set is part of what was found. */
  readonly isWhole: boolean;
}

/** The kind of a line; of "a box of books" and "a set of saucepans" the whole, where that is known. */
function nameOf(line: ReadLine, finder: KindFinder<OwnKind>): NamedLine {
  const { holder, holderWord, unit, per } = line.quantity;
  const plain = finder.find(line.thing);
  const lead = unit ?? holderWord;
  if (per !== undefined || lead === undefined) return { named: plain, isWhole: false };
  const thing = line.thing.trim();
  const whole =
    findWhole([`${lead} ${thing}`, `${holder?.id ?? lead} ${thing}`], plain, finder) ??
    // "4 tins of tomatoes" are not fresh ones: "tomato tin", "tinned tomatoes".
    (holder?.id === 'tin' && !plain.kind?.isPacked
      ? findWhole([`${thing} tin`, `tinned ${thing}`], plain, finder)
      : undefined);
  return { named: whole ?? plain, isWhole: whole !== undefined };
}

function findWhole(
  phrases: readonly string[],
  plain: Named<OwnKind>,
  finder: KindFinder<OwnKind>,
): Named<OwnKind> | undefined {
  return phrases
    .map((words) => finder.find(words))
    .find((whole) => {
      const found = whole.own ?? whole.kind;
      return found !== undefined && whole.length > 1 && found !== (plain.own ?? plain.kind);
    });
}

/** A chest of drawers is a piece; a box of books is a holder. */
const isHeld = (holder: Holder | undefined): boolean =>
  holder !== undefined && !holder.isHeap && holder.id !== 'chest';

const withoutHolder = (line: ReadLine): ReadLine => ({
  ...line,
  quantity: { ...line.quantity, holder: undefined, unit: undefined },
});

/** What carries a date: food, medicine, what is dabbed on, cells. */
const DATED =
  /food|toiletries|make-up|medicine|first aid|spices|tins|jars|drinks|snacks|baking|batteries|cleaning/;
const isDated = ({ kind, family }: Named<OwnKind>): boolean =>
  isFood(kind, family) || DATED.test(kind?.family ?? family?.id ?? '');

/** Three digits are more than any size here is known to; what was typed stays as it is. */
function roundedFigures({ litres, massG, uprightMm, longestMm }: Sized) {
  const round = (figure: Figure): Figure =>
    figure.from === 'typed' ? rounded(figure, 6) : rounded(figure, 3);
  return { litres: round(litres), massG: round(massG), uprightMm, longestMm };
}
const rounded = (figure: Figure, digits: number): Figure => ({
  value: Number(figure.value.toPrecision(digits)),
  low: Number(figure.low.toPrecision(digits)),
  high: Number(figure.high.toPrecision(digits)),
  from: figure.from,
});
