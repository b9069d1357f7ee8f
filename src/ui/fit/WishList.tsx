'use client';

import { X } from 'lucide-react';

import { bearingRoles, type FitQuestion } from '@/core/fit';
import { Button } from '../primitives/Button';

/** What is kept between containers anyway, and what two fingers take. */
const USUAL_GAP_MM = 2;
const TWO_FINGERS_MM = 35;

interface WishListProps {
  readonly request: FitQuestion;
  readonly forbidden: readonly { readonly id: string; readonly name: string }[];
  readonly onWish: (wish: unknown) => Promise<void>;
}

/** What is wanted of this place whatever is cheapest; each can be let go. */
export function WishList({ request, forbidden, onWish }: WishListProps) {
  const pins = (request.pins ?? []).map((pin) => ({
    key: `${pin.groupId}-${pin.containerId}`,
    words:
      `${request.groups.find(({ id }) => id === pin.groupId)?.name ?? ''}: only ` +
      `${request.containers.find(({ id }) => id === pin.containerId)?.name ?? ''}`,
    undo: { kind: 'unpin', groupId: pin.groupId },
  }));
  const nevers = forbidden.map(({ id, name }) => ({
    key: id,
    words: `not here: ${name}`,
    undo: { kind: 'allow', containerId: id },
  }));
  const uses = (request.uses ?? []).map((id) => ({
    key: `use ${id}`,
    words: `to stand here: ${request.containers.find((each) => each.id === id)?.name ?? ''}`,
    undo: { kind: 'unuse', containerId: id },
  }));
  const extraMm = request.clearances.between - USUAL_GAP_MM;
  const air =
    extraMm > 0
      ? [
          {
            key: 'air',
            words: `${extraMm} mm more air between containers`,
            undo: { kind: 'air', mm: 0 },
          },
        ]
      : [];
  const bearing = request.containers.filter(
    ({ id, role }) =>
      role !== undefined && bearingRoles.has(role) && !(request.uses ?? []).includes(id),
  );
  return (
    <section aria-label="Wanted here" className="text-[13.5px]">
      <h3 className="caption font-text">Wanted here</h3>
      <div className="flex flex-wrap items-center gap-2 py-1">
        {bearing.length > 0 && (
          <select
            aria-label="To stand here"
            className="input w-auto min-w-0 flex-1"
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
        {extraMm <= 0 && (
          <Button look="quiet" onClick={() => void onWish({ kind: 'air', mm: TWO_FINGERS_MM })}>
            Two fingers of air
          </Button>
        )}
      </div>
      <ul>
        {[...pins, ...uses, ...air, ...nevers].map(({ key, words, undo }) => (
          <li key={key} className="flex items-center gap-1">
            <span className="min-w-0 flex-1">{words}</span>
            <button
              type="button"
              aria-label={`Let go: ${words}`}
              className="grid size-8 shrink-0 place-items-center rounded hover:bg-well max-md:size-11"
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
