import { invariant } from '../shared';
import {
  cautionCodes,
  goesToCodes,
  storingWays,
  type CautionCode,
  type GoesTo,
  type StoringWay,
} from './codes';

/** One kind of thing: sizes of one piece as people store it, folded or stacked. */
export interface Kind {
  /** Its first phrase. */
  readonly id: string;
  /** Singular phrases in British and American English; no phrase stands for two kinds. */
  readonly words: readonly string[];
  readonly litres: number;
  readonly massG: number;
  /** The truth lies between value / spread and value × spread four times in five. */
  readonly spread: number;
  /** Outside, as it is stored, mm: width, depth, height. Undefined where only litres are known. */
  readonly sizeMm: readonly [number, number, number] | undefined;
  readonly storing: StoringWay;
  readonly material: string;
  readonly family: string;
  readonly cautions: readonly CautionCode[];
  readonly goesTo: readonly GoesTo[];
  /** A piece is a pack, bottle, tin or jar as it is bought: "3 tins of it" are three of it. */
  readonly isPacked: boolean;
  /** A piece is a pair: "2 of it" are half as much as "2 pairs". */
  readonly isPair: boolean;
  /** A volume or weight that is called out is what the machine takes in, not its own. */
  readonly isMachine: boolean;
  /** Pieces of the same name in a pack as it is bought: "12 dishwasher tablets" are a part of one. */
  readonly eachPack: number | undefined;
  /** m² that the litres stand for, of what is folded; with it other sizes scale by their area. */
  readonly areaM2: number | undefined;
}

/** Kinds alike, which give a figure where only their common name is known. */
export interface Family {
  readonly id: string;
  /** Common names: "crockery", "tools". */
  readonly words: readonly string[];
  readonly kinds: readonly Kind[];
  readonly litres: Range;
  readonly massG: Range;
  readonly storing: StoringWay;
  readonly material: string;
  readonly cautions: readonly CautionCode[];
  readonly goesTo: readonly GoesTo[];
}
export interface Range {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

interface Traits {
  readonly storing: StoringWay;
  readonly material: string;
  readonly cautions: readonly CautionCode[];
  readonly goesTo: readonly GoesTo[];
  readonly spread: number;
  readonly isPacked: boolean;
  readonly isPair: boolean;
  readonly isMachine: boolean;
  readonly eachPack: number | undefined;
  readonly areaM2: number | undefined;
}

/** Where a line says nothing else: pieces of one kind differ by so much. */
const USUAL_SPREAD = 1.6;
const PLAIN: Traits = {
  storing: 'alone',
  material: 'mixed',
  cautions: [],
  goesTo: ['give', 'bin'],
  spread: USUAL_SPREAD,
  isPacked: false,
  isPair: false,
  isMachine: false,
  eachPack: undefined,
  areaM2: undefined,
};

/**
 * Reads the data files of the vocabulary, one line a kind, under the line of its family:
 *
 *     # plates | stacks ceramic >give >bin | crockery, china
 *     dinner plate, large plate: 27x27x2.5: 600
 *     paper plate: 23x23x1.5: 12: paper >bin
 *
 * A family: its name, the traits of its kinds, its common names. A kind: phrases, cm × cm × cm (or
 * litres), grams, and where it differs from its family: a way of storing, a material, `!caution`
 * (`!none`: none of the family's), `>way out` in order, `~spread`, `packed`, `pair`, `holds`, `area=m²`,
 * `each=n` (so many of the name in a pack).
 * Throws where a line does not read so: the files ship with the program.
 */
export function readVocabulary(files: readonly (readonly string[])[]): {
  readonly kinds: readonly Kind[];
  readonly families: readonly Family[];
} {
  const kinds: Kind[] = [];
  const families: Family[] = [];
  for (const lines of files) {
    let head:
      { readonly id: string; readonly words: string[]; readonly traits: Traits } | undefined;
    let own: Kind[] = [];
    const close = () => {
      if (head) families.push(toFamily(head, own));
      own = [];
    };
    for (const line of lines) {
      if (line.startsWith('#')) {
        close();
        head = readHead(line);
        continue;
      }
      invariant(head !== undefined, `no family before: ${line}`);
      const kind = readKind(line, head.id, head.traits);
      own.push(kind);
      kinds.push(kind);
    }
    close();
  }
  return { kinds, families };
}

function readHead(line: string) {
  const [id = '', traits = '', words = ''] = line
    .slice(1)
    .split('|')
    .map((part) => part.trim());
  invariant(id !== '', `a family without a name: ${line}`);
  return { id, words: listOf(words), traits: readTraits(traits, PLAIN, line) };
}

function readKind(line: string, family: string, usual: Traits): Kind {
  const [phrases = '', size = '', mass = '', rest = ''] = line
    .split(':')
    .map((part) => part.trim());
  const words = listOf(phrases);
  const id = words[0];
  invariant(id !== undefined, `a kind without words: ${line}`);
  const { sizeMm, litres } = readSize(size, line);
  const massG = Number(mass);
  invariant(massG > 0, `no grams: ${line}`);
  return { id, words, litres, sizeMm, massG, family, ...readTraits(rest, usual, line) };
}

function readSize(text: string, line: string): Pick<Kind, 'sizeMm' | 'litres'> {
  const sides = text.split('x').map(Number);
  invariant(sides.every((side) => side > 0) && [1, 3].includes(sides.length), `no size: ${line}`);
  const [width = 0, depth = 0, height = 0] = sides;
  if (sides.length === 1) return { litres: width, sizeMm: undefined };
  return {
    litres: (width * depth * height) / 1000,
    sizeMm: [width * 10, depth * 10, height * 10],
  };
}

function readTraits(text: string, usual: Traits, line: string): Traits {
  const tokens = text.split(/\s+/).filter((token) => token !== '');
  const marked = (mark: string) =>
    tokens.filter((token) => token.startsWith(mark)).map((token) => token.slice(mark.length));
  const cautions = marked('!');
  const ways = marked('>');
  const spread = marked('~')[0];
  const area = marked('area=')[0];
  const each = marked('each=')[0];
  const plain = tokens.filter((token) => !/^[!>~]|=/.test(token));
  const storing = storingWays.find((way) => plain.includes(way));
  const flags = new Set(['packed', 'pair', 'holds']);
  const material = plain.find((word) => word !== storing && !flags.has(word));
  return {
    storing: storing ?? usual.storing,
    material: material ?? usual.material,
    cautions: cautions.length === 0 ? usual.cautions : codesOf(cautions, cautionCodes, line),
    goesTo: ways.length === 0 ? usual.goesTo : codesOf(ways, goesToCodes, line),
    spread: spread === undefined ? usual.spread : Number(spread),
    isPacked: usual.isPacked
      ? !plain.includes('alone') && !plain.includes('loose')
      : plain.includes('packed'),
    isPair: usual.isPair || plain.includes('pair'),
    isMachine: usual.isMachine || plain.includes('holds'),
    eachPack: each === undefined ? undefined : Number(each),
    areaM2: area === undefined ? undefined : Number(area),
  };
}

function codesOf<C extends string>(told: readonly string[], all: readonly C[], line: string): C[] {
  return told
    .filter((code) => code !== 'none')
    .map((code) => {
      const found = all.find((each) => each === code);
      invariant(found !== undefined, `no code "${code}": ${line}`);
      return found;
    });
}

function toFamily(
  head: { readonly id: string; readonly words: readonly string[]; readonly traits: Traits },
  kinds: readonly Kind[],
): Family {
  const { storing, material, cautions, goesTo } = head.traits;
  return {
    id: head.id,
    words: head.words,
    kinds,
    litres: rangeOf(kinds.map((kind) => kind.litres)),
    massG: rangeOf(kinds.map((kind) => kind.massG)),
    storing,
    material,
    cautions,
    goesTo,
  };
}

/** Further off than so many times the middle says nothing any more. */
const MOST_UNLIKE = 8;
/** The middle of kinds alike, and between which of them four in five lie. */
export function rangeOf(figures: readonly number[]): Range {
  const sorted = [...figures].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.round((sorted.length - 1) * share)] ?? 1;
  const value = at(0.5);
  return {
    value,
    low: Math.max(value / MOST_UNLIKE, at(0.1) / 1.3),
    high: Math.min(value * MOST_UNLIKE, at(0.9) * 1.3),
  };
}

const listOf = (text: string): string[] =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter((word) => word !== '');
