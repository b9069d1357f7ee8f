'use client';

import { X } from 'lucide-react';

import {
  bearingRoles,
  withoutWish,
  type FitAnswer,
  type FitContainer,
  type FitQuestion,
  type OneWish,
  type WishCost,
} from '@/core/fit';
import { formatLitres, formatMoney, type Currency } from '@/core/shared';
import { Button } from '../primitives/Button';
import { useWishCosts } from './useWishCosts';

/** What is kept between containers anyway, and what two fingers take. */
const USUAL_GAP_MM = 2;
const TWO_FINGERS_MM = 35;

export interface Forbidden {
  readonly id: string;
  readonly name: string;
  /** Undefined where it has no price any more. */
  readonly container: FitContainer | undefined;
}

interface WishListProps {
  readonly request: FitQuestion;
  readonly forbidden: readonly Forbidden[];
  readonly currency: Currency;
  /** The answer by money, with all wishes. */
  readonly cheapest: FitAnswer | undefined;
  readonly onWish: (wish: unknown) => Promise<void>;
}

interface Line {
  readonly key: string;
  readonly words: string;
  /** What lets it go. */
  readonly undo: unknown;
  /** Undefined where it cannot be told what it costs. */
  readonly wish: OneWish | undefined;
}

/** What is wanted of this place whatever is cheapest; each can be let go, and says what it costs. */
export function WishList({ request, forbidden, currency, cheapest, onWish }: WishListProps) {
  const { costs, ask } = useWishCosts(request, cheapest);
  const lines = listLines(request, forbidden);
  const bearing = request.containers.filter(
    ({ role }) => role !== undefined && bearingRoles.has(role),
  );
  return (
    <section aria-label="Wanted here" className="text-[13.5px]">
      <h2 className="caption font-text">Wanted here</h2>
      <div className="flex flex-wrap items-center gap-2 py-1">
        {bearing.length > 0 && (
          <select
            aria-label="To stand here"
            className="input w-0 min-w-40 flex-1"
            value=""
            onChange={(event) => void onWish({ kind: 'use', containerId: event.target.value })}
          >
            <option value="" disabled>
              a riser, a turntable, a pull-out…
            </option>
            {bearing.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        {lines.every(({ key }) => key !== 'air') && (
          <Button look="quiet" onClick={() => void onWish({ kind: 'air', mm: TWO_FINGERS_MM })}>
            Two fingers of air
          </Button>
        )}
      </div>
      <ul>
        {lines.map(({ key, words, undo, wish }) => (
          <li key={key} className="flex items-center gap-1">
            <span className="min-w-0 flex-1">
              {words}
              {costs[key] && (
                <span role="status" className="block text-soft">
                  {wordCost(costs[key], currency)}
                </span>
              )}
            </span>
            {wish && cheapest && costs[key] === undefined && (
              <Button look="quiet" onClick={() => void ask(key, withoutWish(request, wish))}>
                What it costs
              </Button>
            )}
            <button
              type="button"
              aria-label={`Let go: ${words}`}
              className="grid size-8 shrink-0 place-items-center rounded hover:bg-well max-md:size-12"
              onClick={() => void onWish(undo)}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function listLines(request: FitQuestion, forbidden: readonly Forbidden[]): Line[] {
  const nameOf = (list: readonly { readonly id: string; readonly name: string }[], id: string) =>
    list.find((each) => each.id === id)?.name ?? '';
  const extraMm = request.clearances.between - USUAL_GAP_MM;
  const pinned = [...new Set((request.pins ?? []).map(({ groupId }) => groupId))];
  return [
    ...pinned.map((groupId): Line => ({
      key: `pin ${groupId}`,
      words: `${nameOf(request.groups, groupId)}: only ${(request.pins ?? [])
        .filter((pin) => pin.groupId === groupId)
        .map(({ containerId }) => nameOf(request.containers, containerId))
        .join(' or ')}`,
      undo: { kind: 'unpin', groupId },
      wish: { kind: 'pin', groupId },
    })),
    ...(request.uses ?? []).map((containerId, i): Line => ({
      key: `use ${containerId} ${i}`,
      words: `to stand here: ${nameOf(request.containers, containerId)}`,
      undo: { kind: 'unuse', containerId },
      wish: { kind: 'use', containerId },
    })),
    ...(extraMm > 0
      ? [
          {
            key: 'air',
            words: `${extraMm} mm more air between containers`,
            undo: { kind: 'air', mm: 0 },
            wish: { kind: 'air' as const, mm: extraMm },
          },
        ]
      : []),
    ...forbidden.map(({ id, name, container }): Line => ({
      key: `not ${id}`,
      words: `not here: ${name}`,
      undo: { kind: 'allow', containerId: id },
      wish: container && { kind: 'forbid', container },
    })),
  ];
}

function wordCost(cost: WishCost | 'asked', currency: Currency): string {
  if (cost === 'asked') return 'working it out without…';
  if (cost.litres > 0) return `leaves ${formatLitres(cost.litres)} without a container`;
  return cost.minor > 0 ? `costs ${formatMoney(cost.minor, currency)}` : 'costs nothing';
}
