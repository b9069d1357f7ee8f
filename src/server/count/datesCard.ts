import 'server-only';

import { datesCardOf, type DatedThing } from '@/core/count';
import type { Thing } from '@/core/sort';
import type { Records } from '@/data/records';
import { dayWords } from '../show/clientWords';
import { escapeHtml as text, openPaper, PAPER_STYLE } from '../show/paper';
import { formatCount } from '@/core/shared';

const STYLE =
  'section{break-inside:avoid}td:nth-child(2),td:nth-child(3){white-space:nowrap;' +
  'text-align:left}td:last-child{width:22%;text-align:left}.out ' +
  'th{text-decoration:line-through}small{color:#625b4d}';

/** The dates card of a room, or of the home: what runs out, the nearest first, to hang inside the door. */
export function renderDatesCard(
  { project, rooms, things }: Records<'project' | 'rooms' | 'things'>,
  {
    roomId,
    today,
    now,
    fontCss,
  }: {
    readonly roomId: string | undefined;
    readonly today: string;
    readonly now: string;
    readonly fontCss: string;
  },
): string {
  const shown = rooms.filter(({ id }) => roomId === undefined || id === roomId);
  const sections = shown.flatMap((room) => {
    const card = datesCardOf(
      things.filter((thing) => thing.roomId === room.id),
      today,
    );
    const lines = [...card.out, ...card.soon, ...card.good];
    if (lines.length + card.undated.length === 0) return [];
    return [
      `<section><h2>${text(room.name)}</h2><table><thead><tr><th>What</th><th>Use by</th><th></th>` +
        `<th>Used up</th></tr></thead>${lines.map((line) => renderLine(line)).join('')}` +
        `${card.undated.map(renderUndated).join('')}</table></section>`,
    ];
  });
  const head = openPaper({
    title: `Dates, ${project.name}`,
    style: `${fontCss}${PAPER_STYLE}${STYLE}`,
    home: project.name,
    day: dayWords(now),
  });
  return `${head}
<main><h1>Use first</h1>
<p>The nearest date first. Cross out what is used up; write in what comes new.</p>
${sections.join('') || '<p>Nothing with a date is kept here.</p>'}</main>
</body></html>`;
}

const nameOf = (thing: Thing): string =>
  `${thing.count === 1 ? '' : `${thing.count} `}${text(thing.name)}`;

function renderLine({ thing, expiresOn, daysLeft, useFirst }: DatedThing): string {
  const note = dateNote(daysLeft, useFirst);
  return (
    `<tr${daysLeft < 0 ? ' class="out"' : ''}><th scope="row">${nameOf(thing)}</th><td>` +
    `${text(dayWords(expiresOn))}</td><td><small>${note}</small></td><td></td></tr>`
  );
}

const renderUndated = (thing: Thing): string =>
  `<tr><th scope="row">${nameOf(thing)}</th><td>no date read</td><td></td><td></td></tr>`;

function dateNote(daysLeft: number, useFirst: boolean): string {
  if (daysLeft < 0) return 'out of date';
  if (useFirst) return 'use this one first';
  return daysLeft <= 30 ? `${formatCount(daysLeft, 'day')} left` : '';
}
