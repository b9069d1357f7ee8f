import type { PictureId } from '@/core/shared';
import type { PicturePair } from '@/core/show';
import type { HandedHome, ClientRoom } from './handedHome';
import { escapeHtml as text, openPaper, PAPER_STYLE } from './paper';
import {
  checkLines,
  dayWords,
  destinationLines,
  waitingLines,
  figuresOf,
  inLine,
  livesLine,
  missingPictureWords,
} from './clientWords';

/**
 * The client's page as one HTML document with its style inside. `pictureSrc` says where a picture
 * comes from: an address in the app, or the bytes themselves in the file that is sent. `fontCss`
 * holds the faces, so that it looks the same on the client's machine.
 */
export function renderClientHtml(
  page: HandedHome,
  {
    pictureSrc,
    fontCss,
  }: { readonly pictureSrc: (id: PictureId) => string | undefined; readonly fontCss: string },
): string {
  const title =
    page.rooms.length === 1
      ? `${page.project.name}: ${page.rooms[0]?.room.name ?? ''}`
      : page.project.name;
  return `${openPaper({ title, style: `${fontCss}${STYLE}`, home: page.project.name, day: dayWords(page.madeOn) })}
<main>${renderOpening(page)}${page.rooms.map((room) => renderRoom(room, page, pictureSrc)).join('')}</main>
</body></html>`;
}

const renderOpening = ({ opening = '' }: HandedHome): string =>
  opening === '' ? '' : `<p class="opening">${text(opening).replaceAll('\n', '<br>')}</p>`;

function renderRoom(
  client: ClientRoom,
  page: HandedHome,
  pictureSrc: (id: PictureId) => string | undefined,
): string {
  const figures = figuresOf(client, page.project.currency)
    .map(({ value, label }) => `<div><b>${text(value)}</b><span>${text(label)}</span></div>`)
    .join('');
  const destinations = destinationLines(client)
    .map(
      ({ where, amount }) => `<tr><th scope="row">${text(where)}</th><td>${text(amount)}</td></tr>`,
    )
    .join('');
  const waiting = waitingLines(client)
    .map(
      ({ where, amount }) => `<tr><th scope="row">${text(where)}</th><td>${text(amount)}</td></tr>`,
    )
    .join('');
  const checks = checkLines(client)
    .map((line) => `<tr><th scope="row">${text(line.text)}</th><td>${text(line.said)}</td></tr>`)
    .join('');
  const lives = client.results.livesAt
    .map(
      (line) =>
        `<tr><th scope="row">${text(line.groupName)}</th><td>${text(livesLine(line))}</td><td>${text(inLine(line))}</td></tr>`,
    )
    .join('');
  const { told } = client;
  const isFull = told?.isFull ?? true;
  const keepUp = (told?.keepUp ?? []).map((line) => `<li>${text(line)}</li>`).join('');
  return `<section class="room"><h1>${text(client.room.name)}</h1>
${client.room.purpose ? `<p class="purpose">${text(client.room.purpose)}</p>` : ''}
${client.pairs.map((pair) => renderPair(pair, pictureSrc)).join('')}
<div class="figures">${figures}</div>
${told && told.said !== '' ? `<blockquote>${text(told.said)}</blockquote>` : ''}
${keepUp ? `<h2>Keep it up</h2><ul class="keep">${keepUp}</ul>` : ''}
${checks ? `<h2>Possible here again</h2><table>${checks}</table>` : ''}
${isFull && destinations ? `<h2>What left this room, and where it went</h2><table>${destinations}</table>` : ''}
${isFull && waiting ? `<h2>Decided, and still to leave</h2><table>${waiting}</table>` : ''}
${isFull && lives ? `${LIVES_HEAD}${lives}</table>` : ''}
</section>`;
}

const LIVES_HEAD =
  '<h2>Where everything lives</h2>' +
  '<table class="lives"><thead><tr><th>Group</th><th>Place</th><th>In</th></tr></thead>';

function renderPair(
  { vantagePoint, before, after }: PicturePair,
  pictureSrc: (id: PictureId) => string | undefined,
): string {
  if (!before && !after) return '';
  const missed =
    !before && vantagePoint.beforeMissed !== null
      ? `<figure><p class="gap">${text(vantagePoint.beforeMissed)}</p>` +
        `<figcaption><b>No picture before</b>, ${text(vantagePoint.name)}</figcaption></figure>`
      : '';
  const figure = (picture: typeof before, word: string) => {
    if (!picture) return '';
    const src = pictureSrc(picture.id);
    const image =
      src === undefined
        ? `<p class="gap">${missingPictureWords}</p>`
        : `<img src="${text(src)}" width="${picture.widthPx}" height="${picture.heightPx}" alt="${text(`${word}, ${vantagePoint.name}`)}">`;
    return (
      `<figure>${image}<figcaption><b>${word}</b> ${text(dayWords(picture.takenAt))}, ` +
      `${text(vantagePoint.name)}</figcaption></figure>`
    );
  };
  return `<div class="pair">${missed}${figure(before, 'Before')}${figure(after, 'After')}</div>`;
}

const STYLE = `${PAPER_STYLE}
.room{padding-top:24px}
.purpose{font-size:17px;color:#625b4d;margin:6px 0 0;max-width:60ch}
.pair{display:grid;grid-template-columns:1fr 1fr;gap:12px;margin-top:18px}
figure{border:1px solid #d5cab5;border-radius:6px;overflow:hidden;background:#fbf8f1}
img{display:block;width:100%;height:auto}
figure .gap{margin:0;padding:48px 16px;text-align:center;color:#625b4d}
figcaption{padding:8px 10px;font-size:14px}
.figures{display:grid;grid-template-columns:repeat(auto-fit,minmax(150px,1fr));gap:14px;margin-top:22px}
.figures div{border-top:3px solid #23407a;padding-top:8px}
.figures b{display:block;font-size:23px;line-height:1.2}
.figures span{font-size:14px;color:#625b4d}
.lives td:last-child{text-align:left}
.opening{font-size:18px;max-width:65ch;margin-top:18px}
blockquote{border-left:4px solid #23407a;padding:4px 14px;margin:18px 0 0;font:italic 19px/1.4 "Bitter Variable",Bitter,Georgia,serif}
.keep{padding-left:20px}.keep li{padding:3px 0}
@media (max-width:640px){.pair{grid-template-columns:1fr}header,main{padding-left:16px;padding-right:16px}}
@media print{.room{break-before:page}.room:first-child{break-before:auto}
.pair,.figures,figure{break-inside:avoid}}
`;
