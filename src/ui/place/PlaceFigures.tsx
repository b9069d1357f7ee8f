import type { Bay } from '@/core/look';
import type { ArrangementJudgement, BayLevel } from '@/core/place';
import { formatLitres, formatShare } from '@/core/shared';
import type { Group } from '@/core/sort';
import { minutesWords, placeWarningWords } from './placeWords';

interface PlaceFiguresProps {
  readonly levels: readonly { readonly bay: Bay; readonly level: BayLevel }[];
  readonly groups: readonly Group[];
  readonly judged: ArrangementJudgement | undefined;
  /** As it is today; undefined while that is what is shown. */
  readonly today: ArrangementJudgement | undefined;
}

/** What the arrangement comes to, and what speaks against it. */
export function PlaceFigures({ levels, groups, judged, today }: PlaceFiguresProps) {
  const inScope = levels.filter(({ bay }) => !bay.outOfScope);
  const usable = inScope.reduce((sum, { level }) => sum + level.usableLitres, 0);
  const kept = inScope.reduce((sum, { level }) => sum + level.keptLitres, 0);
  const empty = inScope.filter(({ level }) => level.keptLitres === 0);
  const warnings = levels.flatMap(({ bay, level }) =>
    level.warnings.map((warning) => ({ bay, text: placeWarningWords(warning) })),
  );
  return (
    <>
      <dl className="mt-3 grid grid-cols-4 gap-2.5 max-md:grid-cols-2">
        {judged ? (
          <>
            <Figure
              value={`${Math.round(judged.metresPerWeek)} m`}
              label={`walked a week, ${minutesWords(judged.secondsPerWeek)}`}
              {...(today
                ? {
                    note: `today ${Math.round(today.metresPerWeek)} m, ${minutesWords(today.secondsPerWeek)}`,
                  }
                : {})}
            />
            <Figure
              value={Math.round(judged.bendsPerWeek).toString()}
              label={`bends, ${Math.round(judged.stretchesPerWeek)} stretches a week`}
              {...(today
                ? {
                    note: `today ${Math.round(today.bendsPerWeek)} and ${Math.round(today.stretchesPerWeek)}`,
                  }
                : {})}
            />
          </>
        ) : (
          <Figure value={String(empty.length)} label="places stay free" />
        )}
        <Figure
          value={usable > 0 ? formatShare(Math.min(1, kept / usable)) : '0 %'}
          label={`full: ${formatLitres(kept)} of ${formatLitres(usable)}`}
          note={
            empty.length === 0
              ? 'no place stays free'
              : `free: ${empty
                  .slice(0, 2)
                  .map(({ bay }) => bay.name)
                  .join(', ')}${empty.length > 2 ? ' …' : ''}`
          }
        />
        <Figure
          value={String(groups.filter((group) => group.bayId === null).length)}
          label="groups without a place"
          {...(judged && judged.elsewhereIds.length > 0
            ? { note: `${judged.elsewhereIds.length} live in another room` }
            : {})}
        />
      </dl>
      {warnings.length > 0 && (
        <ul className="mt-3 grid gap-1.5 sm:grid-cols-2">
          {warnings.map(({ bay, text }) => (
            <li key={bay.id + text} className="warn">
              <b>{bay.name}:</b> {text}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

export function Figure({ value, label, note }: { value: string; label: string; note?: string }) {
  return (
    <div className="border-t-[3px] border-rim pt-1.5">
      <dd className="font-mono text-[20px] leading-tight font-[650] whitespace-nowrap">{value}</dd>
      <dt className="text-[14px] leading-snug">{label}</dt>
      {note !== undefined && <dd className="text-[13px] text-soft">{note}</dd>}
    </div>
  );
}
