import { parseISO } from 'date-fns';

import type { BackwardPlan, ProjectEstimate, Terms } from '@/core/agree';
import type { RoomOutcome } from '@/core/learn';
import {
  formatCount,
  formatLitres,
  formatMoney,
  type Currency,
  type Learned,
  formatDate,
} from '@/core/shared';
import { factorWords } from '../learn/learnWords';
import { Link } from '../primitives/Link';
import { hoursWords } from './agreeWords';

interface EstimateBandProps {
  /** The day it has to be ready. */
  readonly readyBy: string | null;
  readonly estimate: ProjectEstimate;
  readonly finished: readonly RoomOutcome[];
  /** What litres by the tape and the eye were multiplied by in the end. */
  readonly litres: Learned;
  readonly backward: BackwardPlan | undefined;
  readonly terms: Terms;
  readonly currency: Currency;
}

/** What the work comes to: hours, visits, fee and the latest day to begin, each with its range. */
export function EstimateBand({
  estimate,
  finished,
  litres,
  backward,
  readyBy,
  terms,
  currency,
}: EstimateBandProps) {
  const { visits, feeMinor } = estimate;
  return (
    <section aria-label="Estimate" className="panel border-t-4 border-t-rim p-4">
      <dl className="grid gap-x-4 gap-y-3 sm:grid-cols-4">
        <Part
          label="Work"
          value={hoursWords(estimate.likelyMinutes)}
          note={`${hoursWords(estimate.lowMinutes)} to ${hoursWords(estimate.highMinutes)}`}
        />
        <Part
          label="Visits"
          value={String(visits.likely)}
          note={`${visits.low} to ${visits.high}, ${hoursWords(terms.visitMinutes)} each`}
        />
        <Part
          label="Fee"
          value={
            terms.hourlyRateMinor === 0 ? 'no rate set' : wholeMoney(feeMinor.likely, currency)
          }
          note={
            terms.hourlyRateMinor === 0
              ? 'set an hourly rate below'
              : `${wholeMoney(feeMinor.low, currency)} to ${wholeMoney(feeMinor.high, currency)}`
          }
        />
        <Part
          label="Next visit at the latest"
          value={
            backward ? formatDate(parseISO(backward.latestStart), 'd MMM') : noneWords(readyBy)
          }
          note={
            backward ? backwardWords(backward, estimate, terms.visitsPerWeek) : noneNote(readyBy)
          }
          isAsking={backward !== undefined && !backward.doesFit}
        />
      </dl>
      {backward && !backward.doesFit && (
        <p className="warn mt-3">
          It does not fit before the day it has to be ready, in four cases out of five: more visits
          a week, another pair of hands, less in scope, or a later date.
        </p>
      )}
      <details className="mt-2">
        <summary className="min-h-9 py-1.5 text-[14px] text-rim">How that comes about</summary>
        <p className="mt-1 max-w-[80ch] text-[14px] text-soft">
          Each section: litres measured × how full × minutes a litre for what lies there × the way
          of going through it; 45 % more for cleaning, placing and labelling; a quarter of an hour
          to begin; a second pair of hands does 60 % of the first.{' '}
          {estimate.hours.all.count === 0
            ? 'The rates are assumptions: no finished room of yours has its hours noted yet (Show has a field for them).'
            : `Corrected by ${formatCount(estimate.hours.all.count, 'finished room')} of yours, ` +
              `${factorWords(estimate.hours.all)} (${finished.map(finishedWords).join('; ')}).`}{' '}
          <Link href="/learnt" className="text-rim underline">
            What was learnt
          </Link>
        </p>
        <p className="mt-1 max-w-[80ch] text-[14px] text-soft">{litresWords(estimate, litres)}</p>
        <table className="mt-2 w-full text-[13.5px]">
          <thead>
            <tr className="text-left text-soft">
              <th className="font-normal">Section</th>
              <th className="font-normal">litres × full</th>
              <th className="font-normal">min a litre</th>
              <th className="font-normal">way</th>
              <th className="font-normal">likely</th>
            </tr>
          </thead>
          <tbody>
            {estimate.sections
              .filter(({ section }) => section.inScope)
              .map((each) => (
                <tr key={each.section.id} className="border-t border-line">
                  <th scope="row" className="py-1 text-left font-[600]">
                    {each.section.name}
                  </th>
                  <td className="measure text-[13px]">
                    {formatLitres(each.litres)} × {each.section.fullPercent} %
                  </td>
                  <td className="measure text-[13px]">{each.minutesPerLitre}</td>
                  <td className="measure text-[13px]">× {each.methodFactor}</td>
                  <td className="measure text-[13px]">{hoursWords(each.likelyMinutes)}</td>
                </tr>
              ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

/** What lies there in scope: by the tape and the eye, and as such rooms turned out. */
function litresWords({ sections }: ProjectEstimate, { factor, low, high, count }: Learned): string {
  const measured = sections
    .filter(({ section }) => section.inScope)
    .reduce((sum, { fullLitres }) => sum + fullLitres, 0);
  const about = (times: number) => formatLitres(Number((measured * times).toPrecision(2)));
  const rests =
    count === 0 ? 'an assumption' : `by ${formatCount(count, 'finished room')} of yours`;
  return `What lies there, for boxes and the car: ${about(factor)}, four in five between ${about(low)} and ${about(high)}; ${rests}.`;
}

const noneWords = (readyBy: string | null): string =>
  readyBy === null ? 'no date set' : 'none left';

const noneNote = (readyBy: string | null): string =>
  readyBy === null ? 'set the day it has to be ready' : 'every section is done';

const wholeMoney = (minor: number, currency: Currency): string =>
  formatMoney(minor, currency).replace(/[.,]00(?=\D|$)/, '');

function backwardWords(
  backward: BackwardPlan,
  { sections, visitsLeft }: ProjectEstimate,
  perWeek: number,
): string {
  const open = sections.filter(({ section, isDone }) => section.inScope && !isDone).length;
  const head = `up to ${formatCount(visitsLeft, 'visit')} for the ${formatCount(open, 'section')} not done, ${perWeek} a week`;
  if (!backward.doesFit) return `${head}: ${formatCount(-backward.daysLeft, 'day')} ago`;
  return `${head}, ${backward.daysLeft === 0 ? 'so today' : `in ${formatCount(backward.daysLeft, 'day')}`}`;
}

function Part({
  label,
  value,
  note,
  isAsking = false,
}: {
  label: string;
  value: string;
  note: string;
  isAsking?: boolean;
}) {
  return (
    <div
      className={
        isAsking
          ? 'border-l-4 border-signal bg-signal-wash py-1 pl-3'
          : 'border-l-4 border-rim pl-3'
      }
    >
      <dt className="text-[13px] text-soft">{label}</dt>
      <dd>
        <b className="block font-mono text-[21px] leading-tight">{value}</b>
        <span className="text-[13px] leading-snug text-soft">{note}</span>
      </dd>
    </div>
  );
}

const finishedWords = ({ roomName, minutes }: RoomOutcome): string =>
  minutes
    ? `${roomName} took ${hoursWords(minutes.actual)}, assumed ${hoursWords(minutes.estimated)}`
    : roomName;
