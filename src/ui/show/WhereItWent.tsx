import { verdicts, type Amount, type Verdict } from '@/core/sort';
import { verdictPast } from '../sort/sortWords';
import { verdictLooks } from '../sort/verdictLooks';

/** Pieces by verdict as bars on one scale, each with its icon and word. */
export function WhereItWent({ byVerdict }: { byVerdict: Readonly<Record<Verdict, Amount>> }) {
  const rows = verdicts
    .filter((verdict) => byVerdict[verdict].count > 0)
    .sort((a, b) => byVerdict[b].count - byVerdict[a].count);
  const most = Math.max(1, ...rows.map((verdict) => byVerdict[verdict].count));
  if (rows.length === 0) return null;
  return (
    <section>
      <h2 className="caption mb-1.5 font-text">Where it went, in things</h2>
      <ul className="grid gap-1.5">
        {rows.map((verdict) => {
          const { icon: Icon, color } = verdictLooks[verdict];
          return (
            <li
              key={verdict}
              className="grid grid-cols-[124px_1fr_auto] items-center gap-2 text-[14px]"
            >
              <span className="flex items-center gap-1.5">
                <Icon size={15} style={{ color }} aria-hidden="true" className="shrink-0" />{' '}
                {verdictPast[verdict]}
              </span>
              <i
                aria-hidden="true"
                className="h-3 rounded-r-[2px]"
                style={{
                  width: `${Math.max(2, (byVerdict[verdict].count / most) * 100)}%`,
                  background: color,
                }}
              />
              <b className="font-mono">{byVerdict[verdict].count}</b>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
