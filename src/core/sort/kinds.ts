/**
 * Typical size of one piece, folded or stacked as people store it, for the running totals.
 * Source: our own stated assumptions (folded volume by a 10 mm fold allowance, weights rounded to
 * what a kitchen scale shows); they are starting values, and a thing's litres can be typed over.
 */
export interface Kind {
  /** Singular head words; the longest that occurs in the text wins. */
  readonly words: readonly string[];
  readonly litres: number;
  readonly massG: number;
}

const kind = (words: string, litres: number, massG: number): Kind => ({
  words: words.split('|'),
  litres,
  massG,
});

export const kinds: readonly Kind[] = [
  // Linen
  kind('bath towel|towel', 3.2, 500), kind('hand towel', 1.2, 180), kind('face cloth|flannel', 0.2, 40),
  kind('bath sheet|beach towel', 4.5, 700), kind('tea towel', 0.4, 70), kind('fitted sheet|sheet|flat sheet', 2.2, 550),
  kind('pillowcase|pillow case', 0.6, 130), kind('duvet cover', 3.4, 900), kind('duvet|quilt', 32, 1800),
  kind('pillow', 14, 700), kind('blanket|throw', 9, 1400), kind('tablecloth|table cloth', 1.8, 450),
  kind('napkin', 0.2, 50), kind('curtain', 6, 1500), kind('cushion', 12, 600),
  // Clothes
  kind('scarf', 0.7, 180), kind('hat|cap|beanie', 1.2, 110), kind('glove|mitten', 0.3, 60),
  kind('pair of gloves|gloves|mittens', 0.5, 110), kind('coat', 9, 1400), kind('jacket|raincoat|anorak', 6, 800),
  kind('jumper|sweater|cardigan', 3, 450), kind('shirt|blouse', 1.2, 220), kind('t-shirt|tee', 0.9, 160),
  kind('trousers|jeans', 2.2, 500), kind('dress', 2.4, 400), kind('sock|pair of socks', 0.3, 60),
  kind('belt', 0.6, 200), kind('bag|tote|handbag', 3, 350), kind('rucksack|backpack', 12, 800), kind('suitcase', 55, 3600),
  // Shoes and outdoors
  kind('shoe|pair of shoes|trainer|pair of trainers', 5, 800), kind('wellington|welly|pair of wellies|boot|pair of boots', 9, 1600),
  kind('slipper|pair of slippers', 3, 350), kind('umbrella', 1.5, 400), kind('helmet', 9, 350), kind('bike light', 0.2, 120),
  kind('ball', 6, 400), kind('dog lead|lead', 0.5, 200), kind('hot water bottle', 1.8, 350),
  // Cleaning and laundry
  kind('bottle of cleaner|cleaner|spray|detergent|bleach', 1.2, 1000), kind('washing powder|powder', 4, 2500),
  kind('cleaning cloth|duster|cloth|rag', 0.3, 40), kind('sponge', 0.2, 15), kind('bucket', 12, 500), kind('brush', 1.2, 250),
  kind('peg bag|bag of pegs', 3, 500), kind('iron', 4, 1300), kind('laundry basket|basket', 30, 900), kind('coat hanger|hanger', 0.6, 60),
  // Music, paper, play
  kind('music book|score|songbook', 0.5, 350), kind('sheet music|sheet of music', 0.02, 6), kind('record|vinyl', 0.4, 230),
  kind('cd|disc', 0.15, 100), kind('book|paperback', 0.8, 350), kind('magazine', 0.35, 200), kind('folder|ring binder|binder', 3, 600),
  kind('envelope|letter|paper', 0.02, 8), kind('photo album|album', 4, 1200), kind('photograph|photo', 0.01, 4),
  kind('music stand', 4, 1500), kind('recorder|flute', 0.6, 250), kind('guitar string|set of strings|string', 0.1, 30), kind('violin', 14, 700),
  kind('cable|lead cable', 0.5, 200), kind('charger|adapter|plug', 0.3, 150), kind('toy|game', 2.5, 400), kind('board game', 5, 900),
  kind('jigsaw|puzzle', 3.5, 700), kind('soft toy|teddy', 2.5, 150), kind('pencil|pen|crayon', 0.02, 8), kind('roll of wrapping paper|wrapping paper', 3, 200),
  // Workshop and garden
  kind('hammer|mallet', 0.8, 700), kind('saw', 1.5, 500), kind('screwdriver|chisel|file', 0.3, 130), kind('spanner|wrench|plier', 0.3, 200),
  kind('drill', 5, 1700), kind('box of screws|tin of nails|screw|nail', 0.6, 700), kind('paint tin|tin of paint|paint', 3, 3500),
  kind('paintbrush|paint brush|roller', 0.5, 120), kind('tape|roll of tape', 0.4, 120), kind('sandpaper', 0.1, 30), kind('glue', 0.2, 150),
  kind('battery', 0.02, 25), kind('light bulb|bulb', 0.4, 50), kind('torch', 0.6, 250), kind('rope', 3, 900), kind('plank|offcut', 6, 3000),
  kind('flower pot|plant pot|pot', 3, 600), kind('trowel|hand fork|secateurs', 0.7, 250), kind('packet of seeds|seed packet|seed', 0.05, 12),
  kind('watering can', 12, 600), kind('bag of compost|compost', 40, 14000), kind('spade|fork|rake|hoe', 12, 2000), kind('netting|fleece', 8, 900),
  // Kitchen and boat
  kind('mug|cup', 0.7, 330), kind('plate', 0.6, 550), kind('bowl', 1.2, 450), kind('glass|tumbler', 0.5, 250), kind('pan|saucepan', 5, 1200),
  kind('jar', 0.8, 500), kind('tin of food|tin|can', 0.6, 480), kind('packet of food|packet|pack', 0.8, 400), kind('spice jar|spice', 0.15, 110),
  kind('tub|lunch box|plastic tub', 1.5, 120), kind('lid', 0.4, 60), kind('knife|fork|spoon', 0.1, 60), kind('bottle', 1.2, 1000),
  kind('life jacket', 14, 1000), kind('mooring line', 5, 1500), kind('windlass key', 0.8, 900),
  kind('first aid kit', 6, 900), kind('medicine|pack of tablets|tablet', 0.2, 60), kind('toy box|box', 18, 3000), kind('vase', 3, 900),
  kind('candle', 0.5, 300), kind('picture frame|frame', 3, 900), kind('lamp', 12, 1500), kind('clock', 2, 600),
];

/** For a thing that no kind matches: a shoe box holds three of it. */
export const UNKNOWN_KIND: Pick<Kind, 'litres' | 'massG'> = { litres: 2, massG: 600 };
