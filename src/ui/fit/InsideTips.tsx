import type { InsideTip } from '@/core/fit';
import { assertNever, formatCount, formatLength, type LengthUnit } from '@/core/shared';

/** What this place asks for beyond boxes, each in a sentence with its measures. */
export function InsideTips({
  tips,
  measureUnit,
}: {
  readonly tips: readonly InsideTip[];
  readonly measureUnit: LengthUnit;
}) {
  if (tips.length === 0) return null;
  return (
    <section aria-label="What this place asks for">
      <h2 className="caption mb-1 font-text">What this place asks for</h2>
      <ul className="grid gap-1.5 text-[14px]">
        {tips.map((tip, i) => (
          <li key={i}>{insideTipWords(tip, (mm) => formatLength(mm, measureUnit))}</li>
        ))}
      </ul>
    </section>
  );
}

const goingIn = (names: readonly string[]): string =>
  names.length === 0 ? '' : ` Goes in: ${names.join('; ')}.`;

export function insideTipWords(tip: InsideTip, length: (mm: number) => string): string {
  switch (tip.code) {
    case 'air_above':
      return `${length(tip.freeMm)} of air above what stands here: a riser or a second level uses it.${goingIn(tip.names)}`;
    case 'deep':
      return (
        `${length(tip.depthMm)} deep: what stands behind is not seen. A turntable of up to ` +
        `${length(tip.diameterMm)} turns here, or something that pulls out.${goingIn(tip.names)}`
      );
    case 'under_frame':
      return `The frame is lower than the inside: nothing above ${length(tip.mostMm)} passes, though it is ${length(tip.insideMm)} inside.`;
    case 'around_pipes':
      return (
        `Around the ${tip.labels.join(' and the ')}: the largest circle that stays clear to the top is ` +
        `${length(tip.circleMm)} across` +
        `${tip.below ? `, below it, ${length(tip.below.heightMm)} high, ${length(tip.below.circleMm)}` : ''}.` +
        goingIn(tip.names)
      );
    case 'damp':
      return (
        'Damp: no card, wicker, fabric or raw wood' +
        `${tip.leftOut > 0 ? `; ${formatCount(tip.leftOut, 'container is', 'containers are')} left out for it` : ''}` +
        '.'
      );
    case 'tall_things':
      return (
        `${tip.groupName}: things ${length(tip.heightMm)} high topple. Keep them upright in a rack ` +
        `or with a band.${goingIn(tip.names)}`
      );
    case 'rail':
      return `A rail across takes ${tip.coats} coats or ${tip.shirts} shirts, with ${length(tip.dropMm)} free under it.`;
    case 'no_lids':
      return `Somebody here leaves lids off: ${formatCount(tip.lidded, 'container has', 'containers have')} one in this fit.`;
    case 'pictures':
      return (
        `${tip.personNames.join(' and ')} ${tip.personNames.length === 1 ? 'goes' : 'go'} by ` +
        'pictures: label with a picture of what is inside.'
      );
    default:
      return assertNever(tip);
  }
}
