/** The shown arrangement to scale, as SVG, as PDF and to print. */
export function PlacePaper({
  projectId,
  roomId,
  draftRef,
  roomName,
}: {
  projectId: string;
  roomId: string;
  draftRef: string;
  /** Where several rooms are shown. */ roomName?: string;
}) {
  const href = (scale: number, format: string) =>
    `/api/projects/${projectId}/drawings?room=${roomId}&what=places&draft=${draftRef}&scale=${scale}&format=${format}`;
  const link =
    'inline-flex min-h-8 items-center text-[14px] text-rim underline underline-offset-3 max-md:min-h-12';
  return (
    <section>
      <h2 className="caption mb-1 font-text">{roomName ?? 'This arrangement'} on paper</h2>
      <table className="text-[14px]">
        <tbody>
          {[20, 10].map((scale) => (
            <tr key={scale}>
              <th scope="row" className="measure pr-3 text-left text-[13px] font-normal">
                1:{scale}
              </th>
              <td className="pr-3">
                <a className={link} href={href(scale, 'print')} target="_blank" rel="noreferrer">
                  print
                </a>
              </td>
              <td className="pr-3">
                <a className={link} href={href(scale, 'pdf')} download>
                  PDF
                </a>
              </td>
              <td>
                <a className={link} href={href(scale, 'svg')} download>
                  SVG
                </a>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
