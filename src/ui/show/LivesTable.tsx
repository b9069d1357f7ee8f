import { formatLitres } from '@/core/shared';
import type { LivesAt } from '@/core/show';
import { SideScroll } from '../primitives/SideScroll';

/** Where every group lives, or is planned to, and in what. */
export function LivesTable({ livesAt }: { livesAt: readonly LivesAt[] }) {
  if (livesAt.length === 0) return null;
  return (
    <section className="mt-5">
      <h2 className="mb-2 text-[18px]">Where everything lives</h2>
      <SideScroll label="Where everything lives" className="panel max-md:px-3">
        <table className="stacks w-full text-[14px]">
          <tbody>
            {livesAt.map((lives) => (
              <tr key={lives.groupName} className="border-t border-line first:border-t-0">
                <th scope="row" className="px-3 py-2 text-left font-[650]">
                  {lives.groupName}
                </th>
                <td className="min-w-[130px] px-3 py-2">
                  {lives.unitName ? (
                    <>
                      {lives.unitName}, {lives.bayName}
                      {!lives.isThere && <span className="text-soft"> (planned)</span>}
                    </>
                  ) : (
                    <span className="text-signal-deep">no home yet</span>
                  )}
                </td>
                <td className="px-3 py-2 text-soft">
                  {lives.containers.map(({ name, count }) => `${count} × ${name}`).join(', ')}
                </td>
                <td className="px-3 py-2 text-right font-mono whitespace-nowrap">
                  {formatLitres(lives.litres)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </SideScroll>
    </section>
  );
}
