import type { Unit } from '@/core/look';
import type {
  BenchBase,
  Carry,
  DecisionEvent,
  Group,
  KindSize,
  LearntSize,
  ParsedThing,
} from '@/core/sort';
import type { RoomId } from '@/core/shared';
import type { Correction } from '@/core/things';
import type { HomeCounts, HouseholdCounts, ShippedRule } from '@/core/count';

export interface BenchData {
  readonly projectId: string;
  readonly roomId: RoomId;
  /** Complete histories of the things decided lately, as the server has them. */
  readonly log: readonly DecisionEvent[];
  /** Everything older in this room, as sums. */
  readonly base: BenchBase;
  /** Litres kept in other rooms, by group: they may share bays with this one's. */
  readonly otherKeptLitres: Readonly<Record<string, number>>;
  readonly lastSeq: number;
  /** What the whole home keeps, but for the open things. */
  readonly home: HomeCounts;
  readonly enough: { readonly rules: readonly ShippedRule[]; readonly household: HouseholdCounts };
  /** What went out of this room. */
  readonly carries: readonly Carry[];
  readonly kindSizes: readonly KindSize[];
  readonly learntSizes: readonly LearntSize[];
  /** What never leaves without asking, in the household's words. */
  readonly neverLeaves: readonly string[];
  /** Of sizes without a unit. */
  readonly lengthUnit: 'cm' | 'mm' | 'in';
  /** Groups of the whole project; those of this room are offered. */
  readonly groups: readonly Group[];
  readonly units: readonly Unit[];
}

/** The thing in hand: as it was understood, with what was set by hand over it. */
export interface InHand extends Omit<ParsedThing, 'groupId'> {
  readonly groupId: Group['id'] | undefined;
  readonly pictureId?: string;
}

/** What was set by hand over what was understood. */
export type InHandChanges = Partial<Omit<InHand, 'litres' | 'massG' | 'ranges'>> & {
  /** Size and weight, typed over. */
  readonly correction?: Correction;
};
