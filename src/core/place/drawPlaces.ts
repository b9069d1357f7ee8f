import { drawFront, type Mark, type Sketch, type Unit } from '../look';
import { fitLabel, formatLitres, type LengthUnit } from '../shared';
import type { Group, Thing } from '../sort';
import { bayLevelOf } from './bayLevels';

interface DrawPlacesRequest {
  readonly units: readonly Unit[];
  /** Where the drawn arrangement has them. */
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly measureUnit: LengthUnit;
  readonly penMm: number;
}

/** Heights in thin lines: of a tag, of its letters, from one tag to the next. */
const TAG = { pens: 17, letterPens: 12, stepPens: 20 } as const;

/**
 * An arrangement to scale: the units from the front, each place filled to its level, with a tag for
 * each group that lives there.
 */
export function drawPlaces({
  units,
  groups,
  things,
  measureUnit,
  penMm: pen,
}: DrawPlacesRequest): Sketch {
  return drawFront(units, { measureUnit, penMm: pen }, (bay, rect) => {
    const here = groups.filter((group) => group.bayId === bay.id);
    const {
      keptLitres: kept,
      usableLitres: usable,
      fillRatio: ratio,
    } = bayLevelOf({ bay, reachMm: 0, groups, things, people: [] });
    const height = rect.depth * Math.min(1, ratio);
    const inset = 5 * pen;
    const tagWidth = rect.width - 2 * inset;
    // As many tags as the place is high; the last one tells of the rest.
    const fits = Math.max(1, Math.floor((rect.depth - 18 * pen) / (TAG.stepPens * pen)));
    const names =
      here.length <= fits
        ? here.map(({ name }) => name)
        : [
            ...here.slice(0, fits - 1).map(({ name }) => name),
            `${here.length - fits + 1} more groups`,
          ];
    const level: Mark[] =
      height > 0
        ? [
            {
              kind: 'rect',
              role: ratio > 1 ? 'level-over' : 'level',
              x: rect.x,
              y: rect.y + rect.depth - height,
              width: rect.width,
              depth: height,
            },
          ]
        : [];
    const tags = names.flatMap((name, i): Mark[] => {
      const y = rect.y + inset + i * TAG.stepPens * pen;
      const text = fitLabel(name, tagWidth - 10 * pen, TAG.letterPens * pen);
      const width = Math.min(tagWidth, (text.length * 0.56 * TAG.letterPens + 12) * pen);
      return [
        {
          kind: 'rect',
          role: 'tag',
          x: rect.x + inset,
          y,
          width,
          depth: TAG.pens * pen,
          title: name,
        },
        {
          kind: 'text',
          role: 'name',
          x: rect.x + inset + 5 * pen,
          y: y + 12.5 * pen,
          text,
          pens: TAG.letterPens,
          anchor: 'start',
        },
      ];
    });
    return [
      ...level,
      ...tags,
      {
        kind: 'text',
        role: 'measure',
        x: rect.x + rect.width - 4 * pen,
        y: rect.y + rect.depth - 4 * pen,
        text: fitLabel(
          `${formatLitres(kept)} of ${formatLitres(usable)}`,
          rect.width - 8 * pen,
          10.5 * pen,
        ),
        pens: 10.5,
        anchor: 'end',
      },
    ];
  });
}
