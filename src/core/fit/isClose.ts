/** The room that something takes, for the checkers: mm from the bay's front left bottom corner. */
export interface Body {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly w: number;
  readonly d: number;
  readonly h: number;
  readonly isRound?: boolean;
}

const EPS = 1e-4;

/** Closer than the gap in every direction. A circle counts by its distance in plan. */
export function isClose(a: Body, b: Body, gap: number): boolean {
  const apart = (p: number, long: number, q: number, other: number) =>
    Math.max(p - q - other, q - p - long);
  if (apart(a.z, a.h, b.z, b.h) > gap - EPS) return false;
  if (!a.isRound && !b.isRound)
    return apart(a.x, a.w, b.x, b.w) < gap - EPS && apart(a.y, a.d, b.y, b.d) < gap - EPS;
  const middle = ({ x, y, w, d }: Body) => [x + w / 2, y + d / 2] as const;
  const [ax, ay] = middle(a);
  const [bx, by] = middle(b);
  if (a.isRound && b.isRound) return Math.hypot(ax - bx, ay - by) < a.w / 2 + b.w / 2 + gap - EPS;
  const [circle, box, cx, cy] = a.isRound ? [a, b, ax, ay] : [b, a, bx, by];
  const x = Math.min(Math.max(cx, box.x), box.x + box.w);
  const y = Math.min(Math.max(cy, box.y), box.y + box.d);
  return Math.hypot(cx - x, cy - y) < circle.w / 2 + gap - EPS;
}
