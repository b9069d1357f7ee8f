import type { PlanClash } from '@/core/look';
import { assertNever, formatLength, type LengthUnit } from '@/core/shared';

interface ClashNames {
  readonly nameOf: (id: string) => string;
  readonly units: LengthUnit;
}

/** A clash in a sentence that says what to do about what. */
export function clashWords(clash: PlanClash, { nameOf, units }: ClashNames): string {
  const by = (id: string | null) => (id === null ? 'the wall' : nameOf(id));
  const size = (mm: number) => formatLength(mm, units);
  switch (clash.code) {
    case 'unit_outside':
      return `${nameOf(clash.unitId)} does not stand inside the room here`;
    case 'fixture_outside':
      return `${nameOf(clash.fixtureId)} goes past the end of its wall`;
    case 'units_overlap':
      return `${nameOf(clash.unitId)} and ${by(clash.by)} stand in the same place`;
    case 'door_blocked':
      return `${by(clash.by)} blocks ${nameOf(clash.fixtureId)}`;
    case 'fixture_blocked':
      return `${by(clash.by)} covers ${nameOf(clash.fixtureId)}, which has to stay within reach`;
    case 'window_covered':
      return `${by(clash.by)} stands before ${nameOf(clash.fixtureId)}`;
    case 'pull_out_hits':
      return `What pulls out of ${nameOf(clash.unitId)} hits ${by(clash.by)}`;
    case 'leaf_hits':
      return `The door of ${nameOf(clash.unitId)} hits ${by(clash.by)}`;
    case 'clear_space_taken':
      return `“${nameOf(clash.checkId)}” needs floor that ${by(clash.by)} takes`;
    case 'clear_space_missing':
      return `“${nameOf(clash.checkId)}” finds no room; the largest free floor is ${size(clash.rect.width)} × ${size(clash.rect.depth)}`;
    case 'table_too_small':
      return `“${nameOf(clash.checkId)}”: the table has ${size(clash.rect.width)} × ${size(clash.rect.depth)} free`;
    default:
      return assertNever(clash);
  }
}
