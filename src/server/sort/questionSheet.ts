import 'server-only';

import { type Thing, waitsForClient } from '@/core/sort';
import type { Records } from '@/data/records';
import { dayWords } from '../show/clientWords';
import { escapeHtml as text, openPaper, PAPER_STYLE } from '../show/paper';
import { reasonWords } from '@/ui/sort/sortWords';

/**
 * The open questions as one page in the client's words, to show, print or send: a box to tick for
 * each answer.
 */
export function renderQuestionsHtml(
  { project, rooms, things }: Records<'project' | 'rooms' | 'things'>,
  { now, fontCss }: { readonly now: string; readonly fontCss: string },
): string {
  const open = rooms
    .map((room) => ({
      room,
      asked: things.filter((thing) => waitsForClient(thing) && thing.roomId === room.id),
    }))
    .filter(({ asked }) => asked.length > 0);
  const body = open.map(
    ({ room, asked }) =>
      `<section><h2>${text(room.name)}</h2><table><thead><tr><th>What</th><th>Keep</th><th>Give ` +
      'away</th><th>Throw out</th><th>What you say of it</th></tr></thead>' +
      `${asked.map(renderQuestion).join('')}</table></section>`,
  );
  const head = openPaper({
    title: `Questions, ${project.name}`,
    style: `${fontCss}${PAPER_STYLE}${STYLE}`,
    home: project.name,
    day: dayWords(now),
  });
  return `${head}
<main><h1>Questions for you</h1>${body.join('') || '<p>No question is open.</p>'}</main></body></html>`;
}

const STYLE =
  'td{border-left:1px solid #e6dcc8;width:80px}td:last-child{width:34%}section{break-inside:avoid}';

function renderQuestion(thing: Thing): string {
  const count = thing.count === 1 ? '' : `${thing.count} `;
  const why = thing.reasons.map((reason) => reasonWords[reason]).join(', ');
  const note = why === '' ? '' : `<br><small>${text(why)}</small>`;
  const box = '<td>&#9744;</td>';
  return `<tr><th scope="row">${count}${text(thing.name)}${note}</th>${box}${box}${box}<td></td></tr>`;
}
