import type { FigureCode } from '@/core/client';
import { formatCount, formatLitres, formatMass, formatMoney, formatShare } from '@/core/shared';
import type { LivesAt } from '@/core/show';
import { traitsOf, wayOutOf, type Verdict } from '@/core/sort';
import { sayBox, verdictTold, wayOutTold } from '@/ui/sort/sortWords';
import { format } from 'date-fns';

import type { HandedHome, ClientRoom } from './handedHome';

/** In the place of a picture whose file is gone: the page is made without it. */
export const missingPictureWords = 'The file of this picture is missing.';

export interface Figure {
  readonly code: FigureCode;
  readonly value: string;
  readonly label: string;
}
interface DestinationLine {
  readonly verdict: Verdict;
  readonly where: string;
  readonly amount: string;
}

/** The headline figures of a room, each counted from its records. */
export function figuresOf(
  { results, room, howSure, told }: ClientRoom,
  currency: HandedHome['project']['currency'],
): Figure[] {
  const figures: Figure[] = [
    {
      code: 'left',
      value: String(results.left.count),
      label: `${haveWords(results.left.count, 'thing')} left the home, of ${results.all.count} gone through`,
    },
    {
      code: 'amount',
      value: formatLitres(results.left.litres),
      label: `and ${formatMass(results.left.massG)} have left, ${howSure}`,
    },
  ];
  if (results.waiting.count > 0)
    figures.push({
      code: 'waiting',
      value: String(results.waiting.count),
      label: `more decided, and still waiting to leave`,
    });
  if (results.keptFromLandfillShare !== undefined) {
    figures.push({
      code: 'landfill',
      value: formatShare(results.keptFromLandfillShare),
      label: 'of that weight kept out of landfill',
    });
  }
  figures.push({
    code: 'spent',
    value: formatMoney(results.spentMinor, currency),
    label: `spent of ${formatMoney(room.budgetMinor, currency)}`,
  });
  const { reusedContainerCount, boughtContainerCount, toBuyContainerCount } = results;
  if (reusedContainerCount + boughtContainerCount + toBuyContainerCount > 0) {
    figures.push({
      code: 'containers',
      value: String(results.reusedContainerCount),
      label: containerWords(results),
    });
  }
  return told ? figures.filter(({ code }) => told.figures.includes(code)) : figures;
}

const haveWords = (count: number, what: string): string =>
  count === 1 ? `${what} has` : `${what}s have`;
function containerWords({
  reusedContainerCount: reused,
  boughtContainerCount: bought,
  toBuyContainerCount: planned,
}: ClientRoom['results']): string {
  const own = reused === 1 ? 'container' : 'containers';
  return `${own} of your own reused, ${bought} new${planned > 0 ? `, ${planned} planned` : ''}`;
}

export function destinationLines({ results }: ClientRoom): DestinationLine[] {
  return results.destinations.map(({ verdict, to, amount }) => ({
    verdict,
    where: whereWords(verdict, to),
    amount: `${formatCount(amount.count, 'thing')} · ${formatLitres(amount.litres)}`,
  }));
}

/** What is decided to leave and is still in the home, as it is to go. */
export const waitingLines = ({ results }: ClientRoom): Omit<DestinationLine, 'verdict'>[] =>
  results.waitingFor.map(({ verdict, to, amount }) => ({
    where: sayBox({ verdict, toward: to }),
    amount: `${formatCount(amount.count, 'thing')} · ${formatLitres(amount.litres)}`,
  }));

function whereWords(verdict: Verdict, to: string): string {
  const { asks } = traitsOf(verdict);
  if (to === '') return asks === 'room' ? 'To another room, no home yet' : verdictTold[verdict];
  const way = asks === 'way_out' ? wayOutOf(to) : undefined;
  return way ? wayOutTold[way] : `${verdictTold[verdict]}: ${to}`;
}

/** What is possible again, as far as it is known; what was said no to is not hidden. */
export const checkLines = ({
  checks,
}: ClientRoom): { readonly text: string; readonly said: string }[] =>
  checks.flatMap(({ check, isMet }) =>
    isMet === undefined ? [] : [{ text: check.text, said: isMet ? 'yes' : 'not yet' }],
  );

export function livesLine({ unitName, bayName, isThere }: LivesAt): string {
  if (unitName === undefined) return 'has no home yet';
  return `${unitName}, ${bayName ?? ''}${isThere ? '' : ' (planned)'}`;
}

export const inLine = (lives: LivesAt): string =>
  lives.containers.map(({ name, count }) => (count === 1 ? name : `${count} × ${name}`)).join(', ');

export const dayWords = (iso: string): string => format(new Date(iso), 'd MMMM yyyy');

/** File name for a download: letters, digits and dashes only. */
export const fileNameOf = (page: HandedHome): string => {
  const name =
    page.rooms.length === 1
      ? `${page.project.name} ${page.rooms[0]?.room.name ?? ''}`
      : page.project.name;
  return (
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'rooms'
  );
};
