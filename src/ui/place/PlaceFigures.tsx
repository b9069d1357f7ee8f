import type { Bay } from '@/core/look';
import type { BayLevel } from '@/core/place';
import { formatLitres, formatShare } from '@/core/shared';
import type { Group } from '@/core/sort';
import { placeWarningWords } from '../words';

interface PlaceFiguresProps {
  readonly levels: readonly { readonly bay: Bay; readonly level: BayLevel }[];
  readonly groups: readonly Group[];
}

/** What the arrangement comes to, and what speaks against it. */
export function PlaceFigures({ levels, groups }: PlaceFiguresProps) {
  const inScope = levels.filter(({ bay }) => !bay.outOfScope);
  const usable = inScope.reduce((sum, { level }) => sum + level.usableLitres, 0);
  const kept = inScope.reduce((sum, { level }) => sum + level.keptLitres, 0);
  const empty = inScope.filter(({ level }) => level.keptLitres === 0);
  const warnings = levels.flatMap(({ bay, level }) => level.warnings.map((warning) => ({ bay, text: placeWarningWords(warning) })));
  return (
    <>
      <dl className="mt-1 grid grid-cols-4 gap-2.5 max-md:grid-cols-2">
        <Figure value={formatLitres(kept)} label={`placed of ${formatLitres(usable)}`} />
        <Figure value={usable > 0 ? formatShare(Math.min(1, kept / usable)) : '0 %'} label="of the places filled" />
        <Figure value={String(groups.filter((group) => group.bayId === null).length)} label="groups without a home" />
        <Figure value={String(empty.length)} label={empty.length === 0 ? 'places stay free' : `places free: ${empty.slice(0, 2).map(({ bay }) => bay.name).join(', ')}${empty.length > 2 ? ' …' : ''}`} />
      </dl>
      {warnings.length > 0 && (
        <ul className="mt-3 grid gap-1.5 sm:grid-cols-2">
          {warnings.map(({ bay, text }) => <li key={bay.id + text} className="warn"><b>{bay.name}:</b> {text}</li>)}
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
