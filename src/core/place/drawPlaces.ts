import { drawFront, type Mark, type Sketch, type Unit } from '../look';
import { fitLabel, formatLitres, type LengthUnit } from '../shared';
import type { Group, Thing } from '../sort';
import { bayLevelOf } from './bayLevels';

interface DrawPlacesRequest {
  readonly units: readonly Unit[];
  /** Where the drawn arrangement has them. */
  readonly groups: readonly Group[];
  /** Where another arrangement has them: what differs is drawn as leaving and as coming. */
  readonly before?: readonly Group[];
  readonly things: readonly Thing[];
  readonly measureUnit: LengthUnit;
  readonly penMm: number;
}

interface Tag {
  readonly name: string;
  readonly role: 'tag' | 'tag-comes' | 'tag-leaves';
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
  before = groups,
  things,
  measureUnit,
  penMm: pen,
}: DrawPlacesRequest): Sketch {
  return drawFront(units, { measureUnit, penMm: pen }, (bay, rect) => {
    const here = groups.filter((group) => group.bayId === bay.id);
    const left = before.filter(
      ({ id, bayId }) => bayId === bay.id && !here.some((group) => group.id === id),
    );
    const wasHere = (id: string) =>
      before.some((group) => group.id === id && group.bayId === bay.id);
    const all: Tag[] = [
      ...here.map(({ id, name }): Tag =>
        wasHere(id) ? { name, role: 'tag' } : { name: `+ ${name}`, role: 'tag-comes' },
      ),
      ...left.map(({ name }): Tag => ({ name: `− ${name}`, role: 'tag-leaves' })),
    ];
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
      all.length <= fits
        ? all
        : [
            ...all.slice(0, fits - 1),
            { name: `${all.length - fits + 1} more groups`, role: 'tag' as const },
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
    const tags = names.flatMap(({ name, role }, i): Mark[] => {
      const y = rect.y + inset + i * TAG.stepPens * pen;
      const text = fitLabel(name, tagWidth - 10 * pen, TAG.letterPens * pen);
      const width = Math.min(tagWidth, (text.length * 0.56 * TAG.letterPens + 12) * pen);
      return [
        {
          kind: 'rect',
          role,
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
