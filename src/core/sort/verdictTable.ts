/** What a verdict means, whatever it is called: everything that asks about verdicts asks these. */
export interface VerdictTraits {
  /**
   * Where a thing with it ends: `here`, in the room it was decided in; `home`, in another room of this
   * home; `out`, gone for good; `open`, not decided yet.
   */
  readonly ends: 'here' | 'home' | 'out' | 'open';
  /** Out, and to landfill. */
  readonly isLandfill: boolean;
  /** What its destination is, where it has one; asked for on the bench but for a day. */
  readonly asks: 'room' | 'person' | 'way_out' | 'day' | undefined;
  /** Whose word an open one waits for. */
  readonly waitsFor: 'client' | 'day' | undefined;
  /** Fills boxes that are carried out of the room, rather than the room. */
  readonly hasBox: boolean;
  /** The key on the bench. */
  readonly key: string;
}

/** Every verdict, in the order in which the boxes stand on the bench. A new one is a row here. */
export const verdictTable = {
  keep: {
    ends: 'here',
    isLandfill: false,
    asks: undefined,
    waitsFor: undefined,
    hasBox: false,
    key: 'K',
  },
  donate: {
    ends: 'out',
    isLandfill: false,
    asks: undefined,
    waitsFor: undefined,
    hasBox: true,
    key: 'D',
  },
  discard: {
    ends: 'out',
    isLandfill: true,
    asks: undefined,
    waitsFor: undefined,
    hasBox: true,
    key: 'X',
  },
  elsewhere: {
    ends: 'home',
    isLandfill: false,
    asks: 'room',
    waitsFor: undefined,
    hasBox: true,
    key: 'E',
  },
  give: {
    ends: 'out',
    isLandfill: false,
    asks: 'person',
    waitsFor: undefined,
    hasBox: true,
    key: 'G',
  },
  sell: {
    ends: 'out',
    isLandfill: false,
    asks: undefined,
    waitsFor: undefined,
    hasBox: true,
    key: 'S',
  },
  recycle: {
    ends: 'out',
    isLandfill: false,
    asks: 'way_out',
    waitsFor: undefined,
    hasBox: true,
    key: 'R',
  },
  ask: {
    ends: 'open',
    isLandfill: false,
    asks: undefined,
    waitsFor: 'client',
    hasBox: true,
    key: 'Q',
  },
  later: {
    ends: 'open',
    isLandfill: false,
    asks: 'day',
    waitsFor: 'day',
    hasBox: true,
    key: 'L',
  },
} as const satisfies Readonly<Record<string, VerdictTraits>>;
