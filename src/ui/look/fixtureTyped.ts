import type { Fixture, FixtureKind } from '@/core/look';
import { formatLength, type LengthUnit } from '@/core/shared';
import { toTypedLeadsTo } from './passageTyped';
import type { FixtureTyped } from './fixtureForm';

/** Usual sizes in mm: width, stands out, lower edge, upper edge. */
const USUAL: Readonly<Record<FixtureKind, readonly [number, number, number, number]>> = {
  door: [800, 0, 0, 2000],
  window: [1000, 0, 900, 2100],
  socket: [90, 0, 300, 390],
  radiator: [1000, 120, 150, 750],
  meter: [400, 200, 900, 1500],
  valve: [120, 0, 200, 320],
  station: [600, 500, 0, 850],
};

export function usualFixture(kind: FixtureKind, unit: LengthUnit): FixtureTyped {
  const [width, depth, bottom, top] = USUAL[kind].map((mm) => formatLength(mm, unit));
  return {
    kind,
    name: '',
    wall: 0,
    along: '0',
    width: width ?? '',
    depth: depth ?? '',
    bottom: bottom ?? '',
    top: top ?? '',
    swing: 'in-start',
    leadsTo: '',
  };
}

export const toTypedFixture = (fixture: Fixture): FixtureTyped => ({
  kind: fixture.kind,
  name: fixture.name,
  wall: fixture.place.wallIndex,
  along: fixture.place.along.text,
  width: fixture.width.text,
  depth: fixture.depth.text,
  bottom: fixture.bottom.text,
  top: fixture.top.text,
  swing: fixture.swing ?? 'in-start',
  leadsTo: toTypedLeadsTo(fixture.leadsTo),
});
