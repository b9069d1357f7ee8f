'use client';

import {
  asPlaced,
  clearancesAround,
  explainUnused,
  overRimMm,
  findBayFault,
  suits,
  type FitAnswer,
  type FitQuestion,
  type FitReason,
  type FitRequest,
  isWhole,
} from '@/core/fit';
import {
  formatLength,
  formatLitres,
  formatMoney,
  type Currency,
  type LengthUnit,
} from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { fitReasonWords } from './fitWords';

interface PickedProps {
  readonly request: FitQuestion;
  readonly answer: FitAnswer;
  readonly index: number;
  readonly measureUnit: LengthUnit;
  readonly currency: Currency;
  /** Litres of one usual thing of each group, where things were counted one by one. */
  readonly litresEach: Readonly<Record<string, number>>;
  readonly onWish: (wish: unknown) => Promise<ActionResult>;
}

/** One container opened: its sizes and the air on every side. */
export function PickedContainer({
  request,
  answer,
  index,
  measureUnit,
  currency,
  litresEach,
  onWish,
}: PickedProps) {
  const placement = answer.placements[index];
  const product = request.containers.find(({ id }) => id === placement?.containerId);
  const container = product && placement && asPlaced(product, placement);
  const around = clearancesAround(request, answer, index);
  if (!placement || !container || !around) return null;
  const say = (mm: number) => formatLength(Math.round(mm * 10) / 10, measureUnit);
  const bare = (mm: number) => say(mm).replace(/ \w+$/, '');
  const group = request.groups.find(({ id }) => id === placement.groupId);
  const over = group ? (overRimMm(container, group) ?? 0) : 0;
  const each = litresEach[placement.groupId] ?? 0;
  const rows: readonly (readonly [string, string])[] = [
    [
      placement.cell ? 'with its board' : 'outside',
      `${bare(container.outer.width)} × ${bare(container.outer.depth)} × ${say(container.outer.height)}`,
    ],
    ['inside', `${formatLitres(container.innerLitres)}, ${say(container.innerHeight)} high`],
    ...(over > 0 ? [['over the rim', `${say(over)} of what stands in it`] as const] : []),
    ['air left, right', `${bare(around.leftMm)}, ${say(around.rightMm)}`],
    ['air before, behind', `${bare(around.frontMm)}, ${say(around.backMm)}`],
    ['air above', say(around.aboveMm)],
    ...(each > 0
      ? [
          [
            'goes in',
            `about ${Math.floor(container.innerLitres / each)} of ${formatLitres(each)} each`,
          ] as const,
        ]
      : []),
  ];
  return (
    <section
      aria-label="Picked container"
      className="panel grid items-start gap-x-6 gap-y-2 p-3 sm:grid-cols-[minmax(0,1fr)_minmax(0,270px)]"
    >
      <div>
        <h3 className="mb-1 text-[14.5px]">{container.name}</h3>
        <dl className="grid gap-1 text-[13.5px]">
          {rows.map(([label, value]) => (
            <div key={label} className="flex justify-between gap-3">
              <dt className="text-soft">{label}</dt>
              <dd className="text-right font-mono text-[13px]">{value}</dd>
            </div>
          ))}
        </dl>
      </div>
      {group && (
        <PickedWishes
          key={`${container.id}-${group.id}`}
          request={request}
          containerId={container.id}
          group={group}
          currency={currency}
          onWish={onWish}
        />
      )}
    </section>
  );
}

/** Keep it, never, or another one instead: all four ways are worked out again with that. */
function PickedWishes({
  request,
  containerId,
  group,
  currency,
  onWish,
}: Pick<PickedProps, 'request' | 'currency' | 'onWish'> & {
  readonly containerId: string;
  readonly group: FitRequest['groups'][number];
}) {
  const { mutate } = useMutation();
  const wish = async (what: unknown) => {
    await mutate(() => onWish(what));
  };
  const isPinned = (request.pins ?? []).some((pin) => pin.groupId === group.id);
  const others = request.containers
    .filter(
      (other) =>
        other.id !== containerId &&
        findBayFault(request, other) === undefined &&
        suits({ ...request, pins: [] }, other, group),
    )
    .sort((a, b) => a.priceMinor - b.priceMinor);
  return (
    <div className="grid gap-1.5">
      <div className="flex flex-wrap gap-1.5">
        {isPinned ? (
          <Button look="quiet" onClick={() => void wish({ kind: 'unpin', groupId: group.id })}>
            Unpin {group.name}
          </Button>
        ) : (
          <Button
            look="quiet"
            onClick={() => void wish({ kind: 'pin', groupId: group.id, containerId })}
          >
            Only this for {group.name}
          </Button>
        )}
        <Button look="quiet" onClick={() => void wish({ kind: 'forbid', containerId })}>
          Not in this place
        </Button>
        <Button look="quiet" onClick={() => void wish({ kind: 'never', containerId })}>
          Nowhere in this home
        </Button>
      </div>
      <label className="grid gap-0.5 text-[13px] text-soft">
        Another one for {group.name}
        <select
          className="input"
          value=""
          onChange={(event) =>
            void wish({ kind: 'pin', groupId: group.id, containerId: event.target.value })
          }
        >
          <option value="" disabled>
            {others.length === 0 ? 'nothing else goes in' : 'choose'}
          </option>
          {others.map((other) => (
            <option key={other.id} value={other.id}>
              {other.name}, {formatLitres(other.innerLitres)},{' '}
              {formatMoney(other.priceMinor, currency)}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}

/** What does not go in, and why, in figures that a person can act on. */
export function Reasons({
  request,
  answer,
  measureUnit,
}: {
  readonly request: FitRequest;
  readonly answer: FitAnswer;
  readonly measureUnit: LengthUnit;
}) {
  const nameOf = (id: string) =>
    request.containers.find((container) => container.id === id)?.name ??
    request.groups.find((group) => group.id === id)?.name ??
    id;
  const say = (reason: FitReason) => fitReasonWords(reason, { group: nameOf, unit: measureUnit });
  const unused = isWhole(answer) ? [] : answer.reasons;
  const shortage = unused.filter((reason) =>
    request.groups.some(({ id }) => id === reason.subject),
  );
  const reasons = [
    ...unused.filter((reason) => !shortage.includes(reason)),
    ...(isWhole(answer) ? explainUnused(request) : []),
  ];
  return (
    <div className="mt-3 grid gap-2">
      {shortage.map((reason) => (
        <p key={reason.subject} className="warn">
          {say(reason)}.
        </p>
      ))}
      {reasons.length > 0 && (
        <details open={reasons.length <= 4}>
          <summary className="caption">
            What does not go in here, and why ({reasons.length})
          </summary>
          <ul className="mt-1 grid gap-x-5 gap-y-0.5 text-[13.5px] sm:grid-cols-2">
            {reasons.map((reason) => (
              <li key={reason.subject}>
                <b className="font-[650]">{nameOf(reason.subject)}:</b> {say(reason)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
