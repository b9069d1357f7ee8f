import type { ContainerProduct } from './records';

/** A container that is made from what would be thrown away, or is in most homes, at its usual size. */
interface CommonContainer {
  readonly name: string;
  readonly kind: ContainerProduct['kind'];
  readonly material: ContainerProduct['material'];
  readonly sizeMm: readonly [width: number, depth: number, height: number];
  readonly lid: boolean;
  readonly clear: boolean;
  readonly stackable: boolean;
  /** Three lines at most; empty where nothing has to be done. */
  readonly howTo: string;
}

const make = (
  name: string,
  kind: CommonContainer['kind'],
  material: CommonContainer['material'],
  sizeMm: CommonContainer['sizeMm'],
  traits: string,
  ...howTo: readonly string[]
): CommonContainer => ({
  name,
  kind,
  material,
  sizeMm,
  lid: traits.includes('L'),
  clear: traits.includes('C'),
  stackable: traits.includes('S'),
  howTo: howTo.join('\n'),
});

/**
 * Outside at the widest. Measured on what is common in homes; the real one is measured again before
 * it is counted on.
 */
export const commonContainers: readonly CommonContainer[] = [
  make(
    'Shoe box, its lid under it',
    'box',
    'card',
    [190, 320, 120],
    '',
    'Put the lid under the box: the bottom is twice as strong.',
    'Cover all four sides with one strip of paper, so that boxes match.',
    'Fold the strip 2 cm over the rim and glue it inside.',
  ),
  make(
    'Parcel box cut in half',
    'tray',
    'card',
    [290, 380, 100],
    '',
    'Mark 10 cm all round from the bottom and cut along the line.',
    'Push the cut-off half, turned, into the other as a second wall.',
    'Tape the rim, then cover it to match the others.',
  ),
  make(
    'Cereal box as a file holder',
    'file holder',
    'card',
    [70, 190, 290],
    '',
    'Cut from the back corner at the top to a third up the front.',
    'Slide a second box cut the same way into it.',
    'Cover it, label the narrow side.',
  ),
  make(
    'Drawer box from a cereal box',
    'drawer',
    'card',
    [190, 290, 60],
    '',
    'Lay the box flat, cut the large side out, leave a rim of 1 cm.',
    'Fold the rim inwards and tape it.',
    'Cut a strip of the cut-out as a divider across.',
  ),
  make(
    'Half-litre tin',
    'box',
    'metal',
    [85, 85, 110],
    '',
    'Take the lid off with an opener that leaves no edge, wash it hot.',
    'Run tape over the rim: cut tin is sharp.',
    'Wrap a strip of paper or cloth around it.',
  ),
  make(
    'Large tin',
    'box',
    'metal',
    [155, 155, 170],
    '',
    'Wash it hot and dry it at once, it rusts at the seam.',
    'Tape the rim, wrap it to match.',
  ),
  make(
    'Jam jar',
    'jar',
    'glass',
    [75, 75, 120],
    'LC',
    'Soak the label off in hot water with soda.',
    'Write the date and the directions of what goes in on the bottom.',
  ),
  make(
    'Large screw-top jar',
    'jar',
    'glass',
    [105, 105, 170],
    'LC',
    'Soak the label off, dry it for a day.',
    'Carry the date of what goes in along on the lid.',
  ),
  make(
    'Ice-cream tub',
    'tub',
    'plastic',
    [125, 180, 110],
    'LS',
    'Wash it; freezer tubs stay soft, keep light things in it.',
    'Label the narrow side.',
  ),
  make(
    'Takeaway tub',
    'tub',
    'plastic',
    [120, 175, 60],
    'LCS',
    'Keep only those with a lid that shuts.',
    'Label the narrow side.',
  ),
  make(
    'Fruit crate',
    'box',
    'wood',
    [300, 400, 150],
    'S',
    'Sand the edges, pull out or hammer in staples.',
    'Line the bottom with paper.',
  ),
  make(
    'Drawer parted with bands',
    'drawer',
    'card',
    [120, 300, 60],
    '',
    'Cut card strips as high as the drawer inside, less 1 cm.',
    'Slit them half way where they cross and push them into each other.',
    'A rubber band around each end keeps the strip upright.',
  ),
  make(
    'Egg box for small parts',
    'tray',
    'card',
    [150, 300, 60],
    '',
    'Cut the lid off, cover the rim with tape.',
    'One kind of part in each hollow.',
  ),
  make(
    'Magazine tray from a parcel',
    'tray',
    'card',
    [240, 330, 60],
    '',
    'Cut a flat parcel 6 cm above its bottom.',
    'Double the front with the cut-off strip.',
    'Cover it to match.',
  ),
  make('Wine box', 'box', 'wood', [330, 500, 180], 'S', 'Pull out staples, sand the edges.'),
  make('Biscuit tin', 'box', 'metal', [200, 240, 80], 'LS'),
  make('Washing basket', 'basket', 'plastic', [370, 560, 260], ''),
  make('Storage box, 45 litres', 'box', 'plastic', [390, 590, 280], 'LCS'),
];
