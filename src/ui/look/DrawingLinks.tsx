interface DrawingLinksProps {
  readonly projectId: string;
  readonly roomId: string;
  readonly hasPlan: boolean;
  readonly hasUnits: boolean;
}

/** The drawings at a stated scale, as SVG files and to print. */
export function DrawingLinks({ projectId, roomId, hasPlan, hasUnits }: DrawingLinksProps) {
  const href = (what: 'plan' | 'front', scale: number, format: string) =>
    `/api/projects/${projectId}/drawings?room=${roomId}&what=${what}&scale=${scale}&format=${format}`;
  const rows = [
    ...(hasPlan ? [['plan', 'Plan'] as const] : []),
    ...(hasUnits ? [['front', 'Fronts'] as const] : []),
  ];
  if (rows.length === 0) return null;
  const link =
    'inline-flex min-h-8 items-center text-[14px] text-rim underline underline-offset-3 max-md:min-h-12';
  return (
    <section>
      <h2 className="caption mb-1 font-text">Drawings to scale</h2>
      <table className="text-[14px]">
        <tbody>
          {rows.flatMap(([what, word]) =>
            [20, 10].map((scale) => (
              <tr key={what + scale}>
                <th scope="row" className="pr-3 text-left font-normal">
                  {word} <span className="measure text-[13px]">1:{scale}</span>
                </th>
                <td className="pr-3">
                  <a
                    className={link}
                    href={href(what, scale, 'print')}
                    target="_blank"
                    rel="noreferrer"
                  >
                    print
                  </a>
                </td>
                <td>
                  <a className={link} href={href(what, scale, 'svg')} download>
                    SVG
                  </a>
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </section>
  );
}
