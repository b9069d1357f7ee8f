import type { WalkLine } from './model';

/** The notes of a walk with one more: the later one of a place counts, and one that says nothing is none. */
export function withWalkLine(lines: readonly WalkLine[], line: WalkLine): WalkLine[] {
  const others = lines.filter(({ bayId }) => bayId !== line.bayId);
  const isEmpty = line.marks.length === 0 && line.strays.length === 0 && line.ranOut === '';
  return isEmpty ? others : [...others, line];
}
