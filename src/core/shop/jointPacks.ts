/** Packs of an offer that serves several needs, bought for more than one of them at once. */
export interface Joint {
  readonly i: number;
  readonly packs: number;
  /** Pieces to each need, by its place. */
  readonly to: readonly { readonly n: number; readonly pieces: number }[];
  /** What it costs beyond what its musts would have cost one by one, as the shops are looked at. */
  readonly extra: number;
  /** What the wishes in it are worth. */
  readonly value: number;
}
/** More packs than this of one offer are not bought together. */
export const MOST_JOINT_PACKS = 4;

/** An offer of several needs that is bought otherwise, or no more. */
export interface JointMove {
  readonly i: number;
  readonly joint?: Joint;
}

/** No need has a part of more than one offer of several needs. */
export const afterMove = (joints: readonly Joint[], { i, joint }: JointMove): readonly Joint[] => [
  ...joints.filter(
    (each) => each.i !== i && !joint?.to.some(({ n }) => each.to.some((part) => part.n === n)),
  ),
  ...(joint ? [joint] : []),
];

/** What a joint purchase is worth for its money; what spares money comes before all that costs some. */
export const rateOf = ({ extra, value }: Joint): number =>
  extra < 0 ? 1e9 - extra : value / Math.max(1e-9, extra);

export const jointPieces = (joints: readonly Joint[], n: number): number =>
  joints.reduce((sum, { to }) => sum + (to.find((part) => part.n === n)?.pieces ?? 0), 0);

/** Ways to share pieces out between the first two needs of an offer, the rest to the others in turn. */
export function* splitsOf(
  pieces: number,
  [first = -1, ...others]: readonly number[],
  lack: readonly number[],
): Generator<Joint['to']> {
  for (let own = 1; own <= Math.min(pieces - 1, lack[first]!); own += 1) {
    let left = pieces - own;
    const to = [{ n: first, pieces: own }];
    for (const n of others) {
      const given = Math.min(left, lack[n]!);
      if (given > 0) to.push({ n, pieces: given });
      left -= given;
    }
    yield to;
  }
}
