/**
 * Line drawings for those who do not read yet, made for this app: strokes in a box of 24 by 24, and the words of a
 * name for which each stands.
 */
const PICTURES = {
  sock: ['M9 3h6v9l-5 7a3 3 0 0 1-5-3l4-5z M9 7h6', 'sock|stocking|tight'],
  shirt: [
    'M8 4l-5 4 2 4 2-1v9h10v-9l2 1 2-4-5-4a4 4 0 0 1-8 0z',
    'shirt|top|jumper|sweater|blouse|vest|jersey|kit',
  ],
  trousers: ['M7 3h10l1 18h-5l-1-11-1 11H6z M7 6h10', 'trouser|jean|legging|short|pyjama'],
  coat: ['M9 3l3 3 3-3 4 3v8h-3v7H8v-7H5V6z M12 6v15', 'coat|jacket|anorak|raincoat'],
  shoe: [
    'M3 8v9h18v-3c0-3-5-3-7-6l-2 2-4-2z M3 14h18',
    'shoe|boot|trainer|slipper|sandal|wellington',
  ],
  hat: [
    'M5 15a7 7 0 0 1 14 0z M4 15h16v4H4z M12 3a2 2 0 1 0 .1 0z M9 15v4 M15 15v4',
    'hat|cap|beanie|glove|scarf|mitten',
  ],
  bag: ['M5 8h14l1 13H4z M9 8a3 4 0 0 1 6 0', 'bag|tote|rucksack|backpack'],
  umbrella: ['M3 12a9 9 0 0 1 18 0z M12 3v16a2 2 0 0 1-4 0', 'umbrella|rain'],
  towel: ['M6 3h12v18H6z M6 14h12 M6 17h12', 'towel|flannel|bath mat|swim'],
  bed: [
    'M3 6v14 M3 17h18v3 M3 12h18v5 M5 12v-2h5v2',
    'bed|sheet|duvet|pillow|blanket|throw|linen|guest',
  ],
  plate: ['M12 4a8 8 0 1 0 .1 0z M12 8a4 4 0 1 0 .1 0z', 'plate|dish|crockery|bowl|serving'],
  cup: [
    'M5 7h11v8a4 4 0 0 1-4 4H9a4 4 0 0 1-4-4z M16 9h2a2 2 0 0 1 0 6h-2',
    'cup|mug|tea|coffee|glass',
  ],
  pan: ['M3 10h12v5a3 3 0 0 1-3 3H6a3 3 0 0 1-3-3z M15 11h7', 'pan|pot|wok|casserole'],
  cutlery: [
    'M7 3v18 M5 3v5a2 2 0 0 0 4 0V3 M16 21V3c3 2 3 8 0 10',
    'cutlery|fork|knife|spoon|utensil',
  ],
  jar: [
    'M7 6h10v13a2 2 0 0 1-2 2H9a2 2 0 0 1-2-2z M8 3h8v3H8z M7 12h10',
    'jar|jam|spice|preserve|honey|sauce',
  ],
  wheat: [
    'M12 21V8 M12 9c-3 0-4-2-4-4 3 0 4 2 4 4zM12 9c3 0 4-2 4-4-3 0-4 2-4 4z' +
      'M12 14c-3 0-4-2-4-4 3 0 4 2 4 4zM12 14c3 0 4-2 4-4-3 0-4 2-4 4z',
    'flour|baking|cereal|oat|grain|pasta|rice|bread',
  ],
  tin: [
    'M6 6v12a6 2 0 0 0 12 0V6 M12 4a6 2 0 1 0 .1 0z M6 10a6 2 0 0 0 12 0 M6 15a6 2 0 0 0 12 0',
    'tin|canned|can',
  ],
  apple: [
    'M12 8c-8-4-10 8-3 13h6c7-5 5-17-3-13z M12 8c0-3 1-4 3-5',
    'fruit|apple|snack|vegetable|lunch',
  ],
  bottle: ['M10 3h4v5l2 3v10H8V11l2-3z M8 14h8', 'bottle|drink|oil|squash|vinegar|shampoo'],
  spray: ['M9 9h6v12H9z M10 9V6h5l3-2 M9 6H7', 'cleaning|spray|cleaner|polish|bleach|laundry|wash'],
  brush: ['M11 3h2v10h-2z M7 13h10v3H7z M8 16v5 M12 16v5 M16 16v5', 'brush|broom|dustpan|mop'],
  toothbrush: [
    'M4 15h16v2H4z M14 10h6v5h-6z M16 10v5 M18 10v5',
    'tooth|toiletr|dental|soap|bathroom',
  ],
  plaster: [
    'M3 13l10-10 8 8-10 10z M9 9l6 6 M12 12h.1',
    'plaster|first aid|medicine|bandage|tablet',
  ],
  book: [
    'M4 5c3-1 6-1 8 1 2-2 5-2 8-1v14c-3-1-6-1-8 1-2-2-5-2-8-1z M12 6v14',
    'book|magazine|recipe|reading',
  ],
  paper: [
    'M6 3h9l4 4v14H6z M15 3v4h4 M9 12h7 M9 16h7',
    'paper|letter|file|document|post|school|manual|bill',
  ],
  pen: ['M4 20l1-5L16 4l4 4L9 19z M14 6l4 4', 'pen|pencil|crayon|marker|art|craft|drawing|paint'],
  scissors: [
    'M6 4l9 11 M18 4L9 15 M7 15a3 3 0 1 0 .1 0z M17 15a3 3 0 1 0 .1 0z',
    'scissor|sewing|wrapping|tape',
  ],
  ball: [
    'M12 3a9 9 0 1 0 .1 0z M3 12h18 M12 3c-5 5-5 13 0 18 M12 3c5 5 5 13 0 18',
    'ball|sport|football|match|racket|game kit',
  ],
  bricks: ['M3 12h9v8H3z M12 12h9v8h-9z M7 4h9v8H7z M9 4V2 M14 4V2', 'toy|brick|block|building'],
  bear: [
    'M12 8a6 6 0 1 0 .1 0z M7 5a2 2 0 1 0 .1 0z M17 5a2 2 0 1 0 .1 0z M10 13h.1 M14 13h.1 M10 17h4',
    'doll|bear|soft toy|cuddly|figure',
  ],
  car: [
    'M2 16v-4l4-1 3-4h6l3 4 4 1v4z M7 14a2 2 0 1 0 .1 0z M17 14a2 2 0 1 0 .1 0z',
    'car|train|vehicle|track',
  ],
  dice: ['M4 4h16v16H4z M8 8h.1 M16 8h.1 M12 12h.1 M8 16h.1 M16 16h.1', 'game|puzzle|dice|card'],
  hammer: [
    'M4 6h9l3 3-2 2-3-2H4z M8 9l1 12h2l-1-12',
    'tool|hammer|screw|nail|drill|spanner|fixing',
  ],
  bulb: ['M9 17c0-3-4-4-4-8a7 7 0 0 1 14 0c0 4-4 5-4 8z M9 20h6', 'bulb|lamp|light|candle'],
  battery: ['M3 8h16v8H3z M19 11h2v2h-2z M7 10v4 M11 10v4', 'battery|batteries'],
  plug: [
    'M8 3v6 M16 3v6 M5 9h14v3a7 7 0 0 1-14 0z M12 19v3',
    'cable|charger|plug|electr|device|lead',
  ],
  gift: [
    'M4 9h16v12H4z M3 6h18v3H3z M12 6v15 M12 6c-6 0-5-5 0 0 5-5 6 0 0 0',
    'gift|present|party|birthday|christmas|decoration',
  ],
  case: ['M3 8h18v12H3z M9 8V4h6v4 M7 8v12 M17 8v12', 'suitcase|travel|luggage|holiday|camping'],
  plant: [
    'M7 15h10l-2 6H9z M12 15V8 M12 9c-5 0-6-3-6-6 5 0 6 3 6 6zM12 11c4 0 6-2 6-5-4 0-6 2-6 5z',
    'plant|garden|seed|pot',
  ],
  paw: [
    'M12 12c-4 0-6 4-5 7h10c1-3-1-7-5-7z M6 8a2 2 0 1 0 .1 0z M10 4a2 2 0 1 0 .1 0z M14 4a2 2 0 1 0 .1 0z M18 8a2 2 0 1 0 .1 0z',
    'dog|cat|pet|lead|treat',
  ],
  key: ['M8 8a5 5 0 1 0 .1 0z M13 13h9v3 M18 13v3', 'key|lock'],
  box: ['M3 8l9-5 9 5v9l-9 5-9-5z M3 8l9 5 9-5 M12 13v9', ''],
} as const;

export type PictureName = keyof typeof PICTURES;
export const pictureNames = Object.keys(PICTURES) as [PictureName, ...PictureName[]];
/** Strokes in a box of 24 by 24, to be drawn with a line of about 1.6 and round ends. */
export const pictureStrokes = (name: PictureName): string => PICTURES[name][0];

const matchers = pictureNames.flatMap((name) =>
  PICTURES[name][1]
    .split('|')
    .filter((word) => word !== '')
    .map((word) => ({ name, word, find: new RegExp(`\\b${word}`, 'i') })),
);

/** The drawing for a name: of the longest word that is in it; a box where none is. */
export function pictureFor(name: string): PictureName {
  const found = matchers.filter(({ find }) => find.test(name));
  return found.sort((a, b) => b.word.length - a.word.length)[0]?.name ?? 'box';
}
