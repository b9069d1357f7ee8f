import { parseISO } from 'date-fns';

import { formatDate } from '@/core/shared';
import type { Whereabouts } from '@/core/show';
import { sayBox } from '../sort/sortWords';

type Spot = NonNullable<Whereabouts['stands']>;

/** "kitchen, left larder, shelf 3, front row, in 2 large bins" */
export function spotWords({ room, unit, bayName, row, containers }: Spot): string {
  const held = containers.map(({ name, count }) =>
    count === 1 ? `in the ${name}` : `in ${count} × ${name}`,
  );
  return [room.name, unit.name, bayName, ...(row ? [`${row} row`] : []), ...held].join(', ');
}

/** Where it is, in one sentence. */
export function whereWords(found: Whereabouts): string {
  const { stands, lives, leaving, room } = found;
  if (leaving) {
    const box = found.thing
      ? sayBox({ verdict: found.thing.verdict, toward: found.thing.to })
      : 'what leaves';
    const from = room ? `, from the ${room.name.toLowerCase()}` : '';
    const { carry } = leaving;
    if (leaving.state === 'gone' && carry?.goneAt)
      return (
        `Gone on ${formatDate(parseISO(carry.goneAt), 'd MMMM yyyy')}` +
        `${carry.goneBy === '' ? '' : ` with ${carry.goneBy}`}: ${box}${from}.`
      );
    if (leaving.state === 'gone') return `Gone: ${box}${from}.`;
    if (leaving.state === 'by_the_door') return `By the door: ${box}${from}.`;
    return `Decided to leave and still here: ${box}${from}.`;
  }
  if (stands && lives && stands.bayId !== lives.bayId)
    return `Now: ${spotWords(stands)}. It will live: ${spotWords(lives)}.`;
  if (stands) return `${spotWords(stands)}.`;
  if (lives) return `Planned: ${spotWords(lives)}. Where it stands today was not noted.`;
  return room
    ? `Somewhere in the ${room.name.toLowerCase()}, without a place.`
    : 'Without a place.';
}
