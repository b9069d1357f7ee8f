interface Span {
  readonly from: number;
  readonly to: number;
}

/** The widest stretch of `span` that none of `covers` hides; of zero width where all is hidden. */
export function widestGap(span: Span, covers: readonly Span[]): Span {
  let gaps: Span[] = [span];
  for (const cover of covers) {
    gaps = gaps.flatMap((gap) =>
      cover.to <= gap.from || cover.from >= gap.to
        ? [gap]
        : [
            { from: gap.from, to: cover.from },
            { from: cover.to, to: gap.to },
          ].filter(({ from, to }) => to > from),
    );
  }
  return gaps.reduce(
    (widest, gap) => (gap.to - gap.from > widest.to - widest.from ? gap : widest),
    { from: span.from, to: span.from },
  );
}
