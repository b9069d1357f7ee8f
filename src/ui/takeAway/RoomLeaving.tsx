import { formatCount, formatLitres, formatMass } from '@/core/shared';
import type { WaitingShare } from '@/core/takeAway';
import { buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';
import { ruleWords, shareName } from './takeAwayWords';

/** What of one room waits to leave, and where it goes; it is driven with what leaves all rooms. */
export function RoomLeaving({
  projectId,
  roomName,
  shares,
}: {
  readonly projectId: string;
  readonly roomName: string;
  readonly shares: readonly WaitingShare[];
}) {
  const rules = [...new Set(shares.flatMap(({ piles }) => piles.flatMap((pile) => pile.rules)))];
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[24px]">Leaves the {roomName.toLowerCase()}</h1>
          <p className="text-[14.5px]">
            {shares.length === 0
              ? 'Nothing of this room waits to leave.'
              : 'Packed and driven together with what leaves the other rooms.'}
          </p>
        </div>
        <Link className={buttonClass('main')} href={`/projects/${projectId}/home/take-away/trips`}>
          Boxes and trips
        </Link>
      </div>
      {shares.map((share) => (
        <section
          key={share.key}
          aria-label={shareName(share.destination?.name, share.stream)}
          className="panel p-4"
        >
          <h2 className="flex flex-wrap items-baseline justify-between gap-2 text-[18px]">
            {shareName(share.destination?.name, share.stream)}
            <span className="font-mono text-[14px] font-normal">
              {formatLitres(share.litres)} · {formatMass(share.massG)}
            </span>
          </h2>
          <ul className="text-[14.5px]">
            {share.piles.map((pile) => (
              <li key={pile.id}>
                {pile.count} {pile.name}{' '}
                <span className="text-soft">
                  · {pile.isByTheDoor ? 'in a box by the door' : 'still in the room'}
                </span>
                {pile.refused && (
                  <span className="text-signal-deep"> · refused by {pile.refused.by}</span>
                )}
              </li>
            ))}
          </ul>
          <p className="text-[14px] text-soft">
            {share.byTheDoorCount} of {formatCount(share.piles.length, 'pile')} by the door
          </p>
        </section>
      ))}
      {rules.length > 0 && (
        <ul className="panel grid gap-1 p-4 text-[14.5px]">
          {rules.map((rule) => (
            <li key={rule}>{ruleWords[rule]}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
