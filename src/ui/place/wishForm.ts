import { z } from 'zod';

import type { Group, GroupAsks } from '@/core/sort';

import { lidWishes, seeWishes } from '@/core/fit';
import { typedNumber, typedOptionalNumber } from '../typedValues';

/** What a group asks of its containers and how often it is used, as typed. */
export const wishFormSchema = z.object({
  name: z.string().trim().min(1, 'Type a name for the group').max(60, 'At most 60 letters'),
  litres: typedNumber({ least: 0, most: 10_000, what: 'litres' }),
  lid: z.enum(lidWishes),
  see: z.enum(seeWishes),
  front: z.boolean(),
  loose: z.boolean(),
  /** A kind a line, its litres after it. */
  kinds: z.string().transform((text, context) => readKinds(text, context)),
  /** Things of one size: how many, and how large. */
  pieces: z.string().transform((text, context) => readPieces(text, context)),
  isRound: z.boolean(),
  crushable: z.boolean(),
  mayLie: z.boolean(),
  belowRim: z.boolean(),
  seen: z.boolean(),
  oneColour: z.boolean(),
  line: z.string().trim().max(60, 'At most 60 letters'),
  packLitres: typedOptionalNumber({ least: 0.01, most: 10_000, what: 'litres of a pack' }),
  dropCm: typedOptionalNumber({ least: 1, most: 500, what: 'centimetres' }),
  /** Uses a week; empty where nobody has said. */
  uses: typedOptionalNumber({ least: 0, most: 500, what: 'uses a week' }),
});
export type WishTyped = z.input<typeof wishFormSchema>;

type Kinds = NonNullable<GroupAsks['kinds']>;
const MOST_KINDS = 40;

/** "cumin 0.2" a line. A line without a number is refused by its name. */
function readKinds(text: string, context: z.core.$RefinementCtx): Kinds {
  const kinds: Kinds = [];
  for (const line of text.split('\n').map((each) => each.trim())) {
    if (line === '') continue;
    const [, name, litres] = /^(.+?)[,:]?\s+(\d+(?:[.,]\d+)?)\s*l?$/i.exec(line) ?? [];
    const value = Number(litres?.replace(',', '.'));
    if (name === undefined || !(value > 0)) {
      context.addIssue({ code: 'custom', message: `“${line}” says no litres, e.g. “cumin 0.2”` });
      return [];
    }
    kinds.push({ name: name.slice(0, 60), litres: value });
  }
  if (kinds.length > MOST_KINDS)
    context.addIssue({ code: 'custom', message: `At most ${MOST_KINDS} kinds` });
  return kinds.slice(0, MOST_KINDS);
}

/** "6 of 8 × 8 × 30": how many, then width, depth and height in centimetres; empty for none. */
function readPieces(text: string, context: z.core.$RefinementCtx) {
  if (text.trim() === '') return undefined;
  const numbers = (text.match(/\d+(?:[.,]\d+)?/g) ?? []).map((each) =>
    Number(each.replace(',', '.')),
  );
  const [count, width, ...rest] = numbers;
  const height = rest.at(-1);
  if (!count || !width || !height || numbers.length > 4 || !Number.isInteger(count)) {
    context.addIssue({
      code: 'custom',
      message: 'How many, and their size in cm, e.g. “6 of 8 × 8 × 30”',
    });
    return undefined;
  }
  return {
    count,
    widthMm: width * 10,
    ...(rest.length > 1 && rest[0] ? { depthMm: rest[0] * 10 } : {}),
    heightMm: height * 10,
  };
}

/** What the things are like, as the form shows it. */
export const toTypedAsks = ({ asks }: Group) => ({
  kinds: (asks.kinds ?? []).map(({ name, litres }) => `${name} ${litres}`).join('\n'),
  pieces: asks.pieces
    ? `${asks.pieces.count} of ${[asks.pieces.widthMm, asks.pieces.depthMm, asks.pieces.heightMm]
        .filter((mm) => mm !== undefined)
        .map((mm) => mm / 10)
        .join(' × ')}`
    : '',
  isRound: asks.pieces?.shape === 'round',
  crushable: asks.crushable ?? false,
  mayLie: asks.mayLie ?? false,
  belowRim: asks.belowRim ?? false,
  seen: asks.seen ?? false,
  oneColour: asks.oneColour ?? false,
  line: asks.line ?? '',
  packLitres: asks.packLitres === undefined ? '' : String(asks.packLitres),
  dropCm: asks.dropMm === undefined ? '' : String(asks.dropMm / 10),
});

type AsksRead = Pick<
  z.output<typeof wishFormSchema>,
  | 'kinds'
  | 'pieces'
  | 'isRound'
  | 'crushable'
  | 'mayLie'
  | 'belowRim'
  | 'seen'
  | 'oneColour'
  | 'line'
  | 'packLitres'
  | 'dropCm'
>;

/** What was typed, without what was left empty. */
export const toAsks = ({
  kinds,
  pieces,
  isRound,
  line,
  packLitres,
  dropCm,
  ...yes
}: AsksRead): GroupAsks => ({
  ...(kinds.length > 0 ? { kinds } : {}),
  ...(pieces
    ? { pieces: { ...pieces, shape: isRound ? ('round' as const) : ('box' as const) } }
    : {}),
  ...(yes.crushable ? { crushable: true } : {}),
  ...(yes.mayLie ? { mayLie: true } : {}),
  ...(yes.belowRim ? { belowRim: true } : {}),
  ...(yes.seen ? { seen: true } : {}),
  ...(yes.oneColour ? { oneColour: true } : {}),
  ...(line === '' ? {} : { line }),
  ...(packLitres === null ? {} : { packLitres }),
  ...(dropCm === null || !pieces ? {} : { dropMm: dropCm * 10 }),
});
