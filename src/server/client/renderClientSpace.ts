import { format, parseISO } from 'date-fns';

import { capital, formatCount, formatMass, formatMoney, type PictureId } from '@/core/shared';
import { pageScript } from './pageScript';
import type { ClientContents, QuestionOnPage } from './pageContents';
import { isPastAnswering, sayingsFor, type Asked, type AskedThing } from '@/core/client';
import type { Picture } from '@/core/look';
import { askedName, sayingWords, standingWords } from '@/ui/client/clientWords';
import { clockWords } from '@/ui/visits/visitWords';
import { dayWords, livesLine, inLine } from '../show/clientWords';
import { escapeHtml as text, openPaper, PAPER_STYLE } from '../show/paper';

interface Means {
  readonly pictureSrc: (id: PictureId) => string | undefined;
  readonly fontCss: string;
  /** Of the page's own scripts and styles, where it is served; undefined: a file. */
  readonly nonce: string | undefined;
  /** SHA-256 of the script in base64: what a file lets run. */
  readonly scriptHash: string;
  readonly madeOn: string;
}

/** A private page for somebody without the app, the same over a link and as a file. */
export function renderClientSpace(contents: ClientContents, means: Means): string {
  const { page, questions } = contents;
  const ofKind = (about: Asked['about']) => questions.filter(({ asked }) => asked.about === about);
  const asks = (id: string, about: Asked['about'], title: (waiting: number) => string) => {
    const own = ofKind(about);
    const waiting = own.filter(
      ({ answer, standing }) => !answer && !isPastAnswering(standing),
    ).length;
    const cards = own.map((question) => renderQuestion(question, contents, means)).join('');
    return own.length === 0 ? '' : section(id, title(waiting), cards);
  };
  const parts = [
    asks('ask', 'thing', (waiting) =>
      waiting === 0 ? 'Your things: nothing waits' : `${formatCount(waiting, 'thing')} to decide`,
    ),
    asks('buy', 'purchase', (waiting) =>
      waiting === 0
        ? 'To be bought: nothing waits'
        : `${formatCount(waiting, 'line')} to be bought`,
    ),
    asks('sign', 'agreement', () => 'The agreement, to sign'),
    renderDays(contents),
    renderPictures(contents, means),
    renderPlaces(contents),
    renderAgreement(contents),
    renderGiven(contents),
    renderStatement(contents),
  ].filter((part) => part !== '');
  const foot = page.mayAnswer && questions.length > 0 ? renderFoot(contents) : '';
  return `${openClientPage(contents.homeName, means)}
<main><h1>For ${text(page.name)}</h1>${parts.join('')}
<noscript><p class="note">This browser runs no scripts: you can read everything here, and answer by message.</p></noscript></main>
${foot}${closing({ id: page.id, way: page.way, isEnded: false }, means)}`;
}

/** What a link shows that opens nothing any more; what the device kept of answers is deleted. */
export const renderEndedPage = (
  { pageId }: { readonly pageId: string },
  means: Omit<Means, 'pictureSrc'>,
): string =>
  `${openClientPage('', means)}<main><h1>This link has ended</h1>
<p class="note">Ask for a new one. What this page had kept on your device was deleted.</p></main>
${closing({ id: pageId, way: 'link', isEnded: true }, means)}`;

function openClientPage(
  home: string,
  { fontCss, nonce, scriptHash, madeOn }: Omit<Means, 'pictureSrc'>,
): string {
  const policy =
    `default-src 'none'; img-src data:; font-src data:; style-src 'unsafe-inline'; ` +
    `script-src 'sha256-${scriptHash}'; base-uri 'none'; form-action 'none'`;
  const meta =
    '<meta name="robots" content="noindex,nofollow"><meta name="referrer" content="no-referrer">' +
    (nonce === undefined ? `<meta http-equiv="Content-Security-Policy" content="${policy}">` : '');
  const paper = openPaper({
    title: home === '' ? 'Link ended' : `${home}, for you`,
    style: `${fontCss}${PAPER_STYLE}${STYLE}`,
    home,
    day: dayWords(madeOn),
  }).replace('<meta charset="utf-8">', `<meta charset="utf-8">${meta}`);
  return nonce === undefined ? paper : paper.replace('<style>', `<style nonce="${nonce}">`);
}

function closing(
  facts: { readonly id: string; readonly way: string; readonly isEnded: boolean },
  { nonce }: Omit<Means, 'pictureSrc'>,
): string {
  const data = JSON.stringify(facts).replace(/</g, '\\u003c');
  const mark = nonce === undefined ? '' : ` nonce="${nonce}"`;
  return `<script type="application/json" id="page">${data}</script><script${mark}>${pageScript}</script></body></html>`;
}

const section = (id: string, title: string, body: string): string =>
  `<section id="${id}"><h2>${text(title)}</h2>${body}</section>`;

function renderQuestion(
  { asked, standing, answer }: QuestionOnPage,
  { page, currency }: ClientContents,
  { pictureSrc }: Pick<Means, 'pictureSrc'>,
): string {
  const canAnswer = page.mayAnswer && !isPastAnswering(standing);
  const changed = standingWords(standing, currency);
  const body = [
    ...(asked.about === 'agreement'
      ? [table(asked.lines.map(({ label, value }) => row(text(label), text(value))))]
      : [
          `<p class="where">${text(asked.roomName)}</p>`,
          `<h3>${text(capital(askedName(asked)))}</h3>`,
          asked.about === 'purchase'
            ? `<p class="money">${text(formatMoney(asked.lineMinor, currency))}</p>`
            : '',
          `<ul class="known">${asked.known.map((line) => `<li>${text(line)}</li>`).join('')}</ul>`,
        ]),
    changed === '' ? '' : `<p class="changed">${text(capital(changed))}.</p>`,
    answer
      ? `<p class="before">Answered on ${momentOf(answer.saidAt)}: ${text(sayingWords[answer.says])}.</p>`
      : '',
    canAnswer ? renderChoices(asked) : '',
  ];
  const key = canAnswer ? ` data-key="${text(asked.key)}"` : '';
  const picture = asked.about === 'thing' ? renderPicture(asked, pictureSrc) : '';
  return `<article class="ask"${key}>${picture}<div class="body">${body.join('')}</div></article>`;
}

function renderPicture(asked: AskedThing, pictureSrc: Means['pictureSrc']): string {
  const src = asked.pictureId === null ? undefined : pictureSrc(asked.pictureId);
  return src === undefined ? '' : `<img src="${text(src)}" alt="${text(askedName(asked))}">`;
}

function renderChoices(asked: QuestionOnPage['asked']): string {
  const name = text(askedName(asked));
  const buttons = sayingsFor(asked.about).map((says) => {
    const look = says === 'talk' ? ' class="talk"' : '';
    const words = text(sayingWords[says]);
    return `<button type="button" data-says="${says}" aria-pressed="false"${look}>${words}</button>`;
  });
  const sign =
    asked.about === 'agreement'
      ? '<label>Your name<input class="by" maxlength="60" autocomplete="name"></label>'
      : '';
  return `${sign}<div class="choices" role="group" aria-label="Your answer: ${name}">${buttons.join('')}</div>
<label>Anything to add<textarea class="words" rows="1" maxlength="400"></textarea></label>
<p class="said" role="status"></p>`;
}

function renderFoot({ page }: ClientContents): string {
  if (page.way === 'link') return '<footer><p id="status" role="status"></p></footer>';
  return `<footer><p id="status" role="status"></p><div class="make">
<button type="button" id="make-file" disabled>Save the answer file</button>
<button type="button" id="make-text" disabled>Copy as text</button></div>
<textarea id="text" rows="4" readonly hidden aria-label="Your answers as text"></textarea>
<p class="hint">Send the file, or the text, back to whoever sent you this page.</p></footer>`;
}

const table = (rows: readonly string[]): string => `<table>${rows.join('')}</table>`;
/** A line with what it is of and what is said of it; both are HTML already. */
const row = (head: string, said: string): string =>
  `<tr><th scope="row">${head}</th><td class="left">${said}</td></tr>`;
const moneyRow = (head: string, money: string): string =>
  `<tr><th scope="row">${head}</th><td>${text(money)}</td></tr>`;
const small = (words: string): string => `<br><small>${text(words)}</small>`;
const momentOf = (iso: string): string => text(format(parseISO(iso), 'd MMMM, HH:mm'));
const listOr = (rows: readonly string[], none: string): string =>
  rows.length === 0 ? `<p class="note">${text(none)}</p>` : table(rows);

function renderDays({ days }: ClientContents): string {
  if (!days) return '';
  const rows = days.map((visit) => {
    const times = `${clockWords(visit.fromMinute)} to ${clockWords(visit.toMinute)}`;
    const who = visit.people.join(' and ');
    const comes = who === '' ? '' : `; ${who} ${visit.people.length === 1 ? 'comes' : 'come'}`;
    const prepare = visit.prepare === '' ? '' : `<br><b>Please prepare:</b> ${text(visit.prepare)}`;
    return row(
      text(format(parseISO(visit.day), 'EEEE, d MMMM')) + small(times),
      text(visit.sectionNames.join(', ') || 'a visit') +
        small(`${visit.clientThere ? 'You are needed' : 'Without you'}${comes}`) +
        prepare,
    );
  });
  return section('days', 'The days to come', listOr(rows, 'No day is planned.'));
}

function renderPictures(
  { rooms }: ClientContents,
  { pictureSrc }: Pick<Means, 'pictureSrc'>,
): string {
  if (!rooms) return '';
  const figure = (picture: Picture | undefined, word: string, spot: string) => {
    const src = picture && pictureSrc(picture.id);
    if (!picture || src === undefined) return '';
    const caption = `<b>${word}</b> ${text(dayWords(picture.takenAt))}, ${text(spot)}`;
    const image = `<img src="${text(src)}" alt="${text(`${word}, ${spot}`)}">`;
    return `<figure>${image}<figcaption>${caption}</figcaption></figure>`;
  };
  const body = rooms.map(({ name, pairs }) => {
    const shown = pairs.map(
      ({ before, after, vantagePoint: { name: spot } }) =>
        `<div class="pair">${figure(before, 'Before', spot)}${figure(after, 'After', spot)}</div>`,
    );
    return `<h3>${text(name)}</h3>${shown.join('')}`;
  });
  return section(
    'pictures',
    'Before and after',
    body.join('') || '<p class="note">No pictures yet.</p>',
  );
}

function renderPlaces({ places }: ClientContents): string {
  if (!places) return '';
  const lines = places.map(({ lives, roomName, words }) => {
    const where = `<span>${text(roomName)}: ${text(livesLine(lives))}</span>`;
    const held = lives.containers.length > 0 ? `<small>in ${text(inLine(lives))}</small>` : '';
    return `<li data-words="${text(words)}"><b>${text(lives.groupName)}</b> ${where} ${held}</li>`;
  });
  return section(
    'places',
    'Where everything lives',
    `<label class="seek">What do you look for?<input id="seek" type="search" maxlength="100"
placeholder="Where are the candles?" autocomplete="off"></label>
<p id="found" role="status"></p><ul class="places">${lines.join('')}</ul>`,
  );
}

function renderAgreement({ agreement }: ClientContents): string {
  if (!agreement) return '';
  return section(
    'agreement',
    `Agreed by ${agreement.agreedBy} on ${dayWords(agreement.agreedAt)}`,
    table(agreement.lines.map(({ label, value }) => row(text(label), text(value)))),
  );
}

function renderGiven({ given }: ClientContents): string {
  if (!given) return '';
  const rows = given.map(({ at, destinationName, lines, receiptNumber }) => {
    const mass = formatMass(lines.reduce((sum, { massG }) => sum + massG, 0));
    const receipt = receiptNumber === '' ? 'no receipt number' : `receipt ${receiptNumber}`;
    return row(
      text(destinationName) + small(dayWords(at)),
      text(lines.map(({ count, name }) => `${count} ${name}`).join(', ')) +
        small(`${mass}, ${receipt}`),
    );
  });
  return section('given', 'What was handed over', listOr(rows, 'Nothing yet.'));
}

function renderStatement({ statement, currency }: ClientContents): string {
  if (!statement) return '';
  const money = (minor: number) => formatMoney(minor, currency);
  const hours = statement.hours.map(({ day, what, roundedMinutes, feeMinor }) => {
    const minutes = String(roundedMinutes % 60).padStart(2, '0');
    const head = `${day === null ? '' : `${dayWords(day)}, `}${what}`;
    return moneyRow(
      text(head) + small(`${Math.floor(roundedMinutes / 60)} h ${minutes}`),
      money(feeMinor),
    );
  });
  const paid = statement.paid.map(({ day, shopName, what, amountMinor }) =>
    moneyRow(text(`${dayWords(day)}, ${shopName}: ${what}`), money(amountMinor)),
  );
  const tax = statement.taxMinor > 0 ? [moneyRow('Tax', money(statement.taxMinor))] : [];
  const all = moneyRow('In all', money(statement.totalMinor));
  return section('statement', 'Statement so far', table([...hours, ...tax, ...paid, all]));
}

const STYLE = `
body{padding-bottom:24px}
h1{margin-top:10px}
section{margin-top:8px}
h3{font:700 22px/1.2 "Bitter Variable",Bitter,Georgia,serif;margin:0 0 6px}
.ask{background:#fbf8f1;border:1px solid #d5cab5;border-top:4px solid #b4571a;border-radius:7px;margin-top:14px;overflow:hidden;
display:grid;grid-template-columns:minmax(0,1fr)}
.ask.answered{border-top-color:#23407a}
.ask>img{width:100%;max-height:300px;object-fit:contain;background:#eee6d6;display:block}
.body{padding:14px 16px 10px}
.where{font-size:14px;color:#625b4d}
.money{font:650 24px/1.2 "Atkinson Hyperlegible Mono Variable",monospace}
.known{padding-left:18px;margin:6px 0}.known:empty{display:none}
.changed{border-left:4px solid #b4571a;padding:4px 10px;margin:8px 0;background:#f8ead9}
.before{margin:8px 0;font-weight:650}
.choices{display:grid;grid-template-columns:repeat(auto-fill,minmax(136px,1fr));gap:8px;margin:12px 0}
button{min-height:52px;padding:8px 12px;border:2px solid #23407a;border-radius:6px;background:#fff;color:#22201b;
font:650 17px/1.2 "Atkinson Hyperlegible Next Variable","Atkinson Hyperlegible Next",Verdana,sans-serif}
button.talk{border-style:dashed}
button[aria-pressed=true]{background:#23407a;color:#fff}
button[aria-pressed=true]::before{content:"\\2713\\00a0"}
button:disabled{border-color:#bdb3a0;color:#625b4d;background:#f3ede0}
button:focus-visible,input:focus-visible,textarea:focus-visible{outline:3px solid #b4571a;outline-offset:2px}
label{display:block;font-size:14.5px;margin-top:8px}
input,textarea{display:block;width:100%;min-height:44px;margin-top:3px;padding:9px 11px;border:1.5px solid #8d836f;border-radius:5px;
background:#fff;color:#22201b;font:17px/1.35 "Atkinson Hyperlegible Next Variable","Atkinson Hyperlegible Next",Verdana,sans-serif}
.said{min-height:1.4em;margin-top:6px;font-size:14.5px}
.left,td.left:last-child{text-align:left}
small{font-size:14px;color:#625b4d}
.note{margin-top:12px}
footer{position:sticky;bottom:0;background:#f3ede0;border-top:4px solid #23407a;padding:10px 24px;max-width:960px;margin:24px auto 0}
.make{display:grid;grid-template-columns:repeat(auto-fit,minmax(150px,1fr));gap:8px;margin-top:8px}
.hint{font-size:14px;color:#625b4d;margin-top:6px}
.places{list-style:none;padding:0;background:#fbf8f1;border:1px solid #d5cab5}
.places li{padding:9px 12px;border-top:1px solid #e6dcc8}.places li:first-child{border-top:0}
.places b{margin-right:10px}.places small{display:block}
.places li[hidden]{display:none}
.pair{display:grid;grid-template-columns:1fr 1fr;gap:10px;margin:10px 0 16px}
figure{border:1px solid #d5cab5;border-radius:6px;overflow:hidden;background:#fbf8f1}
figure img{display:block;width:100%;height:auto}figcaption{padding:7px 10px;font-size:14px}
@media (min-width:700px){.ask:has(>img){grid-template-columns:300px minmax(0,1fr)}.ask>img{height:100%;max-height:none;object-fit:cover}}
@media (max-width:640px){.pair{grid-template-columns:1fr}footer{padding-left:16px;padding-right:16px}}
@media print{footer,.choices,label{display:none}}
`;
