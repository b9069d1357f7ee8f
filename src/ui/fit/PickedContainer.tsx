import { clearancesAround, explainUnused, type FitAnswer, type FitRequest } from '@/core/fit';
import { formatLength, formatLitres, type LengthUnit } from '@/core/shared';


interface PickedProps {
  readonly request: FitRequest;
  readonly answer: FitAnswer;
  readonly index: number;
  readonly measureUnit: LengthUnit;
}

/** One container opened: its sizes and the air on every side. */
export function PickedContainer({ request, answer, index, measureUnit }: PickedProps) {
  const placement = answer.placements[index];
  const container = request.containers.find(({ id }) => id === placement?.containerId);
  const around = clearancesAround(request, answer, index);
  if (!placement || !container || !around) return null;
  const say = (mm: number) => formatLength(Math.round(mm * 10) / 10, measureUnit);
  const bare = (mm: number) => say(mm).replace(/ \w+$/, '');
  const rows: readonly (readonly [string, string])[] = [
    ['outside', `${bare(container.outer.width)} × ${bare(container.outer.depth)} × ${say(container.outer.height)}`],
    ['inside', `${formatLitres(container.innerLitres)}, ${say(container.innerHeight)} high`],
    ['air left, right', `${bare(around.leftMm)}, ${say(around.rightMm)}`],
    ['air before, behind', `${bare(around.frontMm)}, ${say(around.backMm)}`],
    ['air above', say(around.aboveMm)],
  ];
  return (
    <section aria-label="Picked container" className="panel p-3">
      <h3 className="mb-1 text-[14.5px]">{container.name}</h3>
      <dl className="grid gap-1 text-[13.5px]">
        {rows.map(([label, value]) => (
          <div key={label} className="flex justify-between gap-3"><dt className="text-soft">{label}</dt><dd className="text-right font-mono text-[13px]">{value}</dd></div>
        ))}
      </dl>
    </section>
  );
}

/** What does not go in, and why, in figures that a person can act on. */
export function Reasons({ request, answer }: { request: FitRequest; answer: FitAnswer }) {
  const nameOf = (id: string) => request.containers.find((container) => container.id === id)?.name ?? request.groups.find((group) => group.id === id)?.name ?? id;
  const unused = answer.status === 'infeasible' ? answer.reasons : [];
  const shortage = unused.filter((reason) => request.groups.some(({ id }) => id === reason.subject));
  const reasons = [...unused.filter((reason) => !shortage.includes(reason)), ...(answer.status === 'infeasible' ? [] : explainUnused(request))];
  return (
    <div className="mt-3 grid gap-2">
      {shortage.map((reason) => <p key={reason.subject} className="warn">{reason.message}.</p>)}
      {reasons.length > 0 && (
        <details open={reasons.length <= 4}>
          <summary className="caption">What does not go in here, and why ({reasons.length})</summary>
          <ul className="mt-1 grid gap-x-5 gap-y-0.5 text-[13.5px] sm:grid-cols-2">
            {reasons.map((reason) => <li key={reason.subject}><b className="font-[650]">{nameOf(reason.subject)}:</b> {reason.message}</li>)}
          </ul>
        </details>
      )}
    </div>
  );
}
