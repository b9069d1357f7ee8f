import 'server-only';

import { COLOUR_INKS, type Person } from '@/core/agree';
import { pictureFor, pictureStrokes, SHAPES } from '@/core/labels';
import { decant, type Jar, type Kit, type Routine } from '@/core/setUp';
import { formatNumber } from '@/core/shared';
import { dayWords } from '../show/clientWords';
import { escapeHtml as text, openPaper, PAPER_STYLE } from '../show/paper';

interface Paper {
  readonly home: string;
  readonly now: string;
  readonly fontCss: string;
}

const STYLE =
  '.steps{list-style:none;padding:0;margin:0}.steps li{display:flex;gap:6mm;align-items:center;padding:4mm 0;' +
  'border-top:1px solid #c9bfa8;break-inside:avoid}.steps b{font-size:17pt;line-height:1.2;display:block}' +
  '.steps .n{font:700 24pt/1 Bitter,serif;width:11mm}.pic{width:20mm;height:20mm;flex:none}' +
  '.slips{display:grid;grid-template-columns:1fr 1fr;gap:4mm}.slip{border:1px dashed #888;padding:4mm;break-inside:avoid}' +
  '.slip h2{margin:0 0 2mm}.under{display:flex;flex-wrap:wrap;gap:4mm}.under span{border:1px dashed #888;' +
  'border-radius:50%;width:34mm;height:34mm;display:grid;place-content:center;text-align:center;font-size:10pt}' +
  '.kit li{font-size:14pt;padding:2mm 0}.mark{width:8mm;height:8mm;vertical-align:-1.5mm}';

const page = (title: string, { home, now, fontCss }: Paper, body: string): string =>
  `${openPaper({ title, style: `${fontCss}${PAPER_STYLE}${STYLE}`, home, day: dayWords(now) })}` +
  `<main>${body}</main></body></html>`;

const picture = (words: string): string =>
  '<svg class="pic" viewBox="0 0 24 24" fill="none" stroke="#22201b" stroke-width="1.5" stroke-linecap="round" ' +
  `stroke-linejoin="round" aria-hidden="true"><path d="${pictureStrokes(pictureFor(words))}"/></svg>`;

export const markSvg = ({ mark, name }: Pick<Person, 'mark' | 'name'>): string =>
  mark
    ? `<svg class="mark" viewBox="0 0 24 24" role="img" aria-label="${text(name)}: ${mark.colour} ${mark.shape}">` +
      `<path d="${SHAPES[mark.shape]}" fill="${COLOUR_INKS[mark.colour]}"/></svg>`
    : '';

/** A routine to hang up: its steps one below the other, with pictures for those who do not read. */
export function renderRoutineCard(
  routine: Routine,
  people: readonly Person[],
  paper: Paper,
): string {
  const hasPictures = people.some(({ labels }) => labels === 'pictures');
  const steps = routine.steps.map(({ what, who, where, when, bin }, i) => {
    const person = people.find(({ name }) => name.toLowerCase() === who.toLowerCase());
    const facts = [who, when, where, bin].filter((fact) => fact !== '').map(text);
    return (
      `<li><span class="n">${i + 1}</span>${hasPictures ? picture(`${bin} ${what}`) : ''}` +
      `<span><b>${text(what)}</b>${person ? `${markSvg(person)} ` : ''}${facts.join(' · ')}</span></li>`
    );
  });
  return page(
    routine.name,
    paper,
    `<h1>${text(routine.name)}</h1><ol class="steps">${steps.join('')}</ol>`,
  );
}

/** Slips for the backs of jars, and round labels for their undersides: what is in it, since when, until when, how. */
export function renderJarSlips(jars: readonly Jar[], paper: Paper): string {
  const slips = jars.map((jar) => {
    const decanted = decant(jar);
    const rest =
      decanted.fits === 'not'
        ? `<p>About ${formatNumber(Math.round(decanted.leftLitres * 10) / 10)} l stay in the pack: clip it, it stands behind.</p>`
        : '';
    return (
      `<div class="slip"><h2>${text(jar.product)}</h2><p>${datesOf(jar)}</p>` +
      `<p>${text(jar.directions)}</p>${rest}</div>`
    );
  });
  const unders = jars.map(
    (jar) => `<span><b>${text(jar.product)}</b>${datesOf(jar, '<br>')}</span>`,
  );
  return page(
    'Jars',
    paper,
    `<h1>Jars</h1><p>Slips go on the back, round labels underneath. Cut along the lines.</p>` +
      `<div class="slips">${slips.join('')}</div><h2>Undersides</h2><div class="under">${unders.join('')}</div>`,
  );
}

function datesOf({ filledOn, expiresOn }: Jar, between = ', '): string {
  const filled =
    filledOn === null ? 'filled on ____________' : `filled ${text(dayWords(filledOn))}`;
  const until = expiresOn === null ? 'use by ____________' : `use by ${text(dayWords(expiresOn))}`;
  return `${filled}${between}${until}`;
}

/** What belongs into a kit, to lay into its bag or hang above it. */
export function renderKitCard(kit: Kit, person: Person | undefined, paper: Paper): string {
  const items = kit.items.map(({ name }) => `<li>☐ ${text(name)}</li>`);
  return page(
    kit.name,
    paper,
    `<h1>${person ? `${markSvg(person)} ` : ''}${text(kit.name)}</h1>` +
      `${person ? `<p>${text(person.name)}</p>` : ''}<ul class="steps kit">${items.join('')}</ul>`,
  );
}
