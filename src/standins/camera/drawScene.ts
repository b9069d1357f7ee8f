import sharp from 'sharp';

import { asPlaced, type FitRequest, type Placement } from '@/core/fit';
import { arrangeFront, type BayFront, type Unit } from '@/core/look';
import { createRandom, type Random } from '@/core/shared';

/** What stands in a bay after: containers by their placements, or folded stacks where there are none. */
export interface SceneBay {
  readonly bayId: string;
  readonly containers: readonly {
    readonly placement: Placement;
    readonly width: number;
    readonly height: number;
    readonly tint: string;
  }[];
  /** 0..1, for bays without containers. */
  readonly fillRatio: number;
}
interface Scene {
  readonly units: readonly Unit[];
  readonly moment: 'before' | 'after';
  readonly bays: readonly SceneBay[];
  readonly seed: number;
}

const WIDTH_PX = 1600;
const HEIGHT_PX = 1200;
const FLOOR_PX = 1060;
const CLUTTER = [
  '#7c5a7a',
  '#9b6a58',
  '#7f9270',
  '#a7a199',
  '#6d7f9f',
  '#b99c58',
  '#8a7a64',
  '#b4877c',
  '#5f7d7a',
  '#c0ad8d',
];
const FOLDED = ['#d8c7a3', '#9fb2d3', '#b3c39f', '#cfa98c', '#93b0a8'];

/**
 * Draws a made-up photograph of a room's units from one spot: wall, floor, light, and what is on
 * the shelves.
 */
export async function drawScene(scene: Scene): Promise<Buffer> {
  const view = arrangeFront(scene.units);
  const scale = Math.min(1480 / view.widthMm, 980 / view.heightMm);
  const left = (WIDTH_PX - view.widthMm * scale) / 2;
  const random = createRandom(scene.seed);
  const parts: string[] = [backdrop()];
  for (const front of view.units) {
    const unit = scene.units.find(({ id }) => id === front.unitId);
    if (!unit) continue;
    const x = left + front.xMm * scale;
    const top = FLOOR_PX - (unit.floorGap.mm + unit.height.mm) * scale;
    parts.push(carcass(x, top, unit.width.mm * scale, unit.height.mm * scale));
    for (const bay of front.layout.bays) {
      const isOut = unit.bays.find(({ id }) => id === bay.bayId)?.outOfScope ?? false;
      parts.push(bayInterior(bay, { x, scale }));
      if (isOut) parts.push(cylinder(bay, { x, scale }));
      else if (scene.moment === 'before') parts.push(clutter(bay, { x, scale }, random));
      else
        parts.push(
          tidy(
            bay,
            { x, scale },
            { contents: scene.bays.find(({ bayId }) => bayId === bay.bayId), random },
          ),
        );
    }
  }
  if (scene.moment === 'before') parts.push(floorClutter(random, left, view.widthMm * scale));
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH_PX}" height="${HEIGHT_PX}" ` +
    `viewBox="0 0 ${WIDTH_PX} ${HEIGHT_PX}">${DEFS}${parts.join('')}<rect width="${WIDTH_PX}" ` +
    `height="${HEIGHT_PX}" fill="url(#light)"/></svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 88 }).toBuffer();
}

interface At {
  readonly x: number;
  readonly scale: number;
}

const DEFS = `<defs>
<linearGradient id="wall" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#e4ddcf"/>
<stop offset="1" stop-color="#d3c9b6"/></linearGradient>
<linearGradient id="floor" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#a98e6b"/>
<stop offset="1" stop-color="#8d7353"/></linearGradient>
<linearGradient id="inside" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#cdc2ab"/>
<stop offset="0.25" stop-color="#e6deca"/><stop offset="1" stop-color="#efe8d8"/></linearGradient>
<radialGradient id="light" cx="0.3" cy="0.2" r="1"><stop offset="0" stop-color="#fff6df" stop-opacity="0.16"/>
<stop offset="0.6" stop-color="#fff" stop-opacity="0"/>
<stop offset="1" stop-color="#2a2218" stop-opacity="0.26"/></radialGradient></defs>`;

function backdrop(): string {
  const boards = Array.from(
    { length: 7 },
    (_, i) =>
      `<path d="M0 ${FLOOR_PX + 20 + i * 20}H${WIDTH_PX}" stroke="#7a6347" stroke-opacity="0.35" stroke-width="2"/>`,
  ).join('');
  return (
    `<rect width="${WIDTH_PX}" height="${FLOOR_PX}" fill="url(#wall)"/><rect y="${FLOOR_PX - 26}` +
    `" width="${WIDTH_PX}" height="26" fill="#efe9dc"/><rect y="${FLOOR_PX}" width="${WIDTH_PX}" ` +
    `height="${HEIGHT_PX - FLOOR_PX}" fill="url(#floor)"/>${boards}`
  );
}

const carcass = (x: number, y: number, w: number, h: number): string =>
  `<rect x="${x + 10}" y="${y + 8}" width="${w}" height="${h}" fill="#000" opacity="0.16"/>` +
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="#f6f1e5" stroke="#b8ab92" ` +
  'stroke-width="2"/>';

const boxOf = (bay: BayFront, at: At) => ({
  x: at.x + bay.xMm * at.scale,
  y: FLOOR_PX - (bay.zMm + bay.heightMm) * at.scale,
  w: bay.widthMm * at.scale,
  h: bay.heightMm * at.scale,
});

function bayInterior(bay: BayFront, at: At): string {
  const { x, y, w, h } = boxOf(bay, at);
  return `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="url(#inside)" stroke="#a99c82" stroke-width="1.5"/>`;
}

function cylinder(bay: BayFront, at: At): string {
  const { x, y, w, h } = boxOf(bay, at);
  return (
    `<rect x="${x + w * 0.16}" y="${y + h * 0.08}" width="${w * 0.68}" height="${h * 0.9}" rx="` +
    `${w * 0.2}" fill="#b9764a" stroke="#8a5635" stroke-width="2"/><rect x="${x + w * 0.05}" y="` +
    `${y + h * 0.5}" width="${w * 0.16}" height="10" fill="#777"/>`
  );
}

/** Things pushed in as they came: leaning, stacked, some half out. */
function clutter(bay: BayFront, at: At, random: Random): string {
  const { x, y, w, h } = boxOf(bay, at);
  const parts: string[] = [];
  let cursor = x + 2;
  while (cursor < x + w - 14) {
    const itemW = Math.min(x + w - cursor - 2, Math.min(w * 0.45, 22 + random() * 74));
    const itemH = Math.min(h - 4, h * (0.35 + random() * 0.6));
    parts.push(
      item(random, {
        x: cursor,
        y: y + h - itemH,
        w: itemW,
        h: itemH,
        lean: (random() - 0.5) * 14,
      }),
    );
    const isStacked = itemH < h * 0.55 && random() < 0.75;
    if (isStacked) {
      const topH = Math.min(h - itemH - 4, h * (0.2 + random() * 0.3));
      if (topH > 8)
        parts.push(
          item(random, {
            x: cursor + random() * 8,
            y: y + h - itemH - topH,
            w: itemW * (0.7 + random() * 0.3),
            h: topH,
            lean: (random() - 0.5) * 18,
          }),
        );
    }
    cursor += itemW * (0.86 + random() * 0.22);
  }
  return `<g clip-path="inset(0)">${parts.join('')}</g>`;
}

interface ItemBox {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly lean: number;
}

/** A box, a pile of folded cloth, a bottle or a bag. */
function item(random: Random, { x, y, w, h, lean }: ItemBox): string {
  const color = CLUTTER[Math.floor(random() * CLUTTER.length)] ?? '#999';
  const turn = `transform="rotate(${lean.toFixed(1)} ${x + w / 2} ${y + h})"`;
  const edge = 'stroke="#3c352a" stroke-opacity="0.55" stroke-width="1.5"';
  const kind = Math.floor(random() * 4);
  if (kind === 0 && h > 40 && w < 60) {
    return (
      `<g ${turn}><rect x="${x + w * 0.3}" y="${y}" width="${w * 0.4}" height="${h * 0.3}" rx="4" ` +
      `fill="#ddd4c4" ${edge}/><rect x="${x + w * 0.1}" y="${y + h * 0.24}" width="${w * 0.8}" ` +
      `height="${h * 0.76}" rx="${w * 0.18}" fill="${color}" ${edge}/></g>`
    );
  }
  if (kind === 1 && w > 34) {
    const folds = Math.max(2, Math.round(h / 16));
    const layers = Array.from(
      { length: folds },
      (_, i) =>
        `<rect x="${x + random() * 5}" y="${y + (i * h) / folds}" width="${w - random() * 9}" ` +
        `height="${h / folds - 1}" rx="${Math.min(6, h / folds / 2)}" fill="` +
        `${CLUTTER[Math.floor(random() * CLUTTER.length)] ?? color}" ${edge}/>`,
    );
    return `<g transform="rotate(${(lean * 0.2).toFixed(1)} ${x + w / 2} ${y + h})">${layers.join('')}</g>`;
  }
  if (kind === 2 && w > 40) {
    return (
      `<path ${turn} d="M${x} ${y + h}L${x + w * 0.08} ${y + h * 0.3}Q${x + w / 2} ${y - h * 0.1} ` +
      `${x + w * 0.92} ${y + h * 0.3}L${x + w} ${y + h}Z" fill="${color}" ${edge}/>`
    );
  }
  return (
    `<g ${turn}><rect x="${x}" y="${y}" width="${w}" height="${h}" rx="2" fill="${color}" ${edge}` +
    `/><rect x="${x + w * 0.12}" y="${y + h * 0.2}" width="${w * 0.5}" height="` +
    `${Math.min(12, h * 0.25)}" fill="#efe8d8" opacity="0.6"/></g>`
  );
}

function floorClutter(random: Random, left: number, width: number): string {
  return Array.from({ length: 6 }, (_, i) => {
    const w = 60 + random() * 90;
    const h = 40 + random() * 70;
    return item(random, {
      x: left + (i / 6) * width + random() * 40,
      y: FLOOR_PX + 46 - h + random() * 40,
      w,
      h,
      lean: (random() - 0.5) * 22,
    });
  }).join('');
}

/** Containers where the fit put them, labelled; folded stacks where there are none. */
function tidy(
  bay: BayFront,
  at: At,
  { contents, random }: { readonly contents: SceneBay | undefined; readonly random: Random },
): string {
  const { x, y, w, h } = boxOf(bay, at);
  if (!contents) return '';
  if (contents.containers.length > 0) {
    return [...contents.containers]
      .sort((a, b) => b.placement.y - a.placement.y)
      .map(({ placement, width, height, tint }) => {
        const boxX = x + placement.x * at.scale;
        const boxY = y + h - (placement.z + height) * at.scale;
        const [boxW, boxH] = [width * at.scale, height * at.scale];
        const labelW = Math.min(boxW * 0.5, 74);
        const labelH = Math.min(boxH * 0.28, 26);
        return (
          `<rect x="${boxX}" y="${boxY}" width="${boxW}" height="${boxH}" rx="4" fill="${tint}" ` +
          `stroke="#4b5a7c" stroke-width="1.6"/><rect x="${boxX}" y="${boxY}" width="${boxW}" height="` +
          `${Math.min(6, boxH * 0.1)}" fill="#000" opacity="0.1"/><rect x="` +
          `${boxX + (boxW - labelW) / 2}" y="${boxY + boxH * 0.36}" width="${labelW}" height="${labelH}` +
          '" fill="#fffdf6" stroke="#b7ab93"/>'
        );
      })
      .join('');
  }
  const columns = Math.max(1, Math.round(w / 110));
  const stackH = h * Math.min(0.82, contents.fillRatio);
  if (stackH < 6) return '';
  return Array.from({ length: columns }, (_, c) => {
    const cw = (w - 12) / columns - 8;
    const folds = Math.max(2, Math.round(stackH / 18));
    const color = FOLDED[c % FOLDED.length] ?? '#eee';
    return Array.from(
      { length: folds },
      (_, i) =>
        `<rect x="${x + 6 + c * (cw + 8) + random() * 2}" y="${y + h - ((i + 1) * stackH) / folds}" ` +
        `width="${cw}" height="${stackH / folds - 1.5}" rx="5" fill="${color}" stroke="#8f8670" ` +
        'stroke-opacity="0.5"/>',
    ).join('');
  }).join('');
}

/** The containers of a fit as a scene shows them from the front. */
export function toSceneContainers(
  request: FitRequest,
  placements: readonly Placement[],
): SceneBay['containers'] {
  const tints = ['#a9bbdc', '#dcc489', '#b3c8a6', '#cda9b9', '#a5c6c4'];
  return placements.flatMap((placement) => {
    const product = request.containers.find(({ id }) => id === placement.containerId);
    if (!product) return [];
    const container = asPlaced(product, placement);
    const index = request.containers
      .filter(({ id }) => placements.some((other) => other.containerId === id))
      .findIndex(({ id }) => id === container.id);
    return [
      {
        placement,
        width: placement.turned ? container.outer.depth : container.outer.width,
        height: container.outer.height,
        tint: tints[index % tints.length] ?? '#ddd',
      },
    ];
  });
}
