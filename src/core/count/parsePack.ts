import { findDay } from '../shared';
import { stemsOf } from '../things';

/** A pack as it is called out in a drawer: its name and its date. */
export interface ParsedPack {
  readonly name: string;
  readonly count: number;
  /** Undefined where none was read. */
  readonly expiresOn: string | undefined;
  /** The name was completed from what is known, or taken over from the pack before. */
  readonly isCompleted: boolean;
}

/**
 * Reads `pap 1226`: a beginning of a known name and a date. Without a name it is one more of the last.
 * `known` stands in the order in which names are tried; a name that is typed in full is taken as it is.
 * Returns undefined where neither a name nor a name before is there.
 */
export function parsePack(
  typed: string,
  known: readonly string[],
  lastName?: string,
): ParsedPack | undefined {
  const text = typed.trim().replace(/\s+/g, ' ');
  const found = findDay(text, { isDateExpected: true });
  const words = found ? found.rest : text;
  const number = /^(\d{1,3})\s*[x×]?\s+(?=\D)(.+)$/.exec(words);
  const name = (number?.[2] ?? words).trim();
  const count = number ? Math.max(1, Number(number[1])) : 1;
  if (name === '')
    return lastName === undefined || !found
      ? undefined
      : { name: lastName, count, expiresOn: found.day, isCompleted: true };
  if (!/\p{L}/u.test(name)) return undefined;
  const lower = name.toLowerCase();
  const stems = stemsOf(name).join(' ');
  // "Tea bag" and "tea bags" are one name.
  const exact =
    known.find((each) => each.toLowerCase() === lower) ??
    known.find((each) => stemsOf(each).join(' ') === stems);
  const completed =
    exact ??
    known.find((each) => each.toLowerCase().startsWith(lower)) ??
    known.find((each) =>
      each
        .toLowerCase()
        .split(' ')
        .some((word) => word.startsWith(lower)),
    );
  return {
    name: completed ?? name,
    count,
    expiresOn: found?.day,
    isCompleted: completed !== undefined && exact === undefined,
  };
}

/** Names that stand in most spice drawers and medicine chests, for completing what is typed. */
export const usualPacks: readonly string[] = [
  'allspice',
  'aniseed',
  'baking powder',
  'bay leaves',
  'bicarbonate of soda',
  'black pepper',
  'caraway',
  'cardamom',
  'cayenne',
  'chilli flakes',
  'cinnamon',
  'cloves',
  'cocoa',
  'coriander seed',
  'cornflour',
  'cream of tartar',
  'cumin',
  'curry powder',
  'dill',
  'dried yeast',
  'fennel seed',
  'fenugreek',
  'five spice',
  'garam masala',
  'garlic powder',
  'gelatine',
  'ground ginger',
  'mace',
  'marjoram',
  'mint',
  'mixed herbs',
  'mixed spice',
  'mustard powder',
  'mustard seed',
  'nutmeg',
  'oregano',
  'paprika',
  'parsley',
  'poppy seed',
  'rosemary',
  'saffron',
  'sage',
  'salt',
  'sesame seed',
  'smoked paprika',
  'star anise',
  'stock cubes',
  'sumac',
  'tarragon',
  'thyme',
  'turmeric',
  'vanilla',
  'white pepper',
  'antacid tablets',
  'antihistamine tablets',
  'antiseptic cream',
  'aspirin tablets',
  'bandages',
  'cold and flu tablets',
  'cough syrup',
  'ear drops',
  'eye drops',
  'ibuprofen tablets',
  'insect bite ointment',
  'nasal spray',
  'oral rehydration salts',
  'paracetamol tablets',
  'plasters',
  'sun cream',
  'throat lozenges',
  'travel sickness tablets',
  'vitamin tablets',
];
