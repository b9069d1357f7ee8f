/**
 * Widths of letters in thousandths of the size they are set in, by width. Source: the advance widths of
 * the bold text face that ships with the app (Atkinson Hyperlegible Next, 700); a test reads the font.
 */
const WIDTHS: readonly (readonly [number, string])[] = [
  [210, "'"],
  [254, '|¦'],
  [259, 'j'],
  [269, '‘’'],
  [271, ','],
  [272, '.:;'],
  [284, '¹'],
  [288, '`´'],
  [294, '·'],
  [297, '¸'],
  [300, 'iìíî'],
  [303, '!¡'],
  [312, '  '],
  [314, 'ï'],
  [318, 'l'],
  [335, '()'],
  [340, '['],
  [344, ']'],
  [365, 'f'],
  [373, '-'],
  [376, 'rt'],
  [381, '{}'],
  [383, '¯'],
  [390, '"ª'],
  [394, '°'],
  [400, '_'],
  [402, '²'],
  [403, 'º'],
  [407, '³'],
  [424, 'IÌÍÎÏ'],
  [432, '¨'],
  [440, '/1\\'],
  [479, '“”'],
  [485, '*'],
  [501, '–'],
  [505, 'z'],
  [508, 's'],
  [510, 'c¢ç'],
  [521, 'y¶ýÿ'],
  [526, '¿'],
  [530, 'v'],
  [536, '×'],
  [537, '7~'],
  [539, 'x'],
  [547, '?'],
  [552, 'Laàáâãäå'],
  [555, 'k§'],
  [561, 'J'],
  [563, 'eèéêë'],
  [566, 'F'],
  [567, 'uùúûü'],
  [569, '<>'],
  [571, '9hnñ'],
  [576, 'oòóôõöø'],
  [579, '2'],
  [582, '^'],
  [588, 'ð'],
  [593, 'g¤'],
  [595, '+÷'],
  [596, 'bdpþ'],
  [597, 'EÈÉÊË'],
  [599, 'q'],
  [600, '3'],
  [607, '5T'],
  [610, '$S'],
  [611, '±'],
  [612, '='],
  [615, '¬'],
  [618, 'Z'],
  [621, 'ß'],
  [624, '48'],
  [626, '6'],
  [629, 'PÞ'],
  [634, '£'],
  [643, 'B'],
  [644, 'V'],
  [649, '«»'],
  [650, 'RY¥Ý'],
  [658, 'CÇ'],
  [659, '0'],
  [663, 'K'],
  [678, 'AÀÁÂÃÄÅ€'],
  [685, 'X'],
  [686, 'UÙÚÛÜ'],
  [688, 'D'],
  [701, 'H'],
  [708, 'Ð'],
  [717, 'NÑ'],
  [718, 'G'],
  [725, '&'],
  [740, 'w'],
  [746, 'OÒÓÔÕÖØ'],
  [756, 'Q'],
  [765, '#'],
  [780, '…'],
  [781, '@'],
  [798, '©®'],
  [832, '—'],
  [846, '¼'],
  [852, '½'],
  [858, 'M'],
  [878, 'æ'],
  [882, 'm'],
  [886, 'W'],
  [921, '¾'],
  [966, 'Æ'],
  [969, '%'],
];
const widthOf = new Map(
  WIDTHS.flatMap(([width, letters]) => [...letters].map((letter) => [letter, width] as const)),
);
/** A letter that the face does not have counts as wide as its size, which no letter exceeds. */
const UNKNOWN_WIDTH = 1000;

/** Of the size: a small letter without its strokes, the highest stroke, the lowest. */
const X_HEIGHT = 0.496;
export const TOP_RATIO = 0.88;
export const BOTTOM_RATIO = 0.21;
/** From line to line. */
export const LINE_RATIO = 1.08;

/** How wide a line is, in mm, set in `sizeMm`. */
export function textWidthMm(text: string, sizeMm: number): number {
  let sum = 0;
  for (const letter of text) sum += widthOf.get(letter) ?? UNKNOWN_WIDTH;
  return (sum * sizeMm) / 1000;
}
/** How high so many lines are, in mm, from the highest to the lowest stroke. */
export const textHeightMm = (lines: number, sizeMm: number): number =>
  sizeMm * (TOP_RATIO + BOTTOM_RATIO + (lines - 1) * LINE_RATIO);

/**
 * Minutes of arc under which the small letters should appear. Full sight just makes out letters of 5
 * (that is how visual acuity is defined); 18 reads in passing. Our own assumption, between 12 and 24.
 */
export const READING_ARC_MINUTES = { low: 12, likely: 18, high: 24 } as const;

/** The size in mm, so that letters are read without effort from `distanceMm`. */
export const readableSizeMm = (
  distanceMm: number,
  arcMinutes: number = READING_ARC_MINUTES.likely,
): number => (distanceMm * Math.tan((arcMinutes / 60) * (Math.PI / 180))) / X_HEIGHT;
/** From how far a size is read without effort, in mm. */
export const readableFromMm = (sizeMm: number): number => (1000 * sizeMm) / readableSizeMm(1000);
