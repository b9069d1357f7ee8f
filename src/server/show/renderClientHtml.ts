import type { PictureId } from '@/core/shared';
import type { PicturePair } from '@/core/show';
import type { ClientPage, ClientRoom } from './clientPage';
import { dayWords, destinationLines, figuresOf, inLine, livesLine } from './clientWords';

/**
 * The client's page as one HTML document with its style inside. `pictureSrc` says where a picture
 * comes from: an address in the app, or the bytes themselves in the file that is sent. `fontCss`
 * holds the faces, so that it looks the same on the client's machine.
 */
export function renderClientHtml(page: ClientPage, { pictureSrc, fontCss }: { readonly pictureSrc: (id: PictureId) => string; readonly fontCss: string }): string {
  const title = page.rooms.length === 1 ? `${page.project.name}: ${page.rooms[0]?.room.name ?? ''}` : page.project.name;
  return `<!doctype html>
<html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<link rel="icon" href="data:,"><title>${text(title)}</title><style>${fontCss}${STYLE}</style></head><body>
<header><p class="home">${text(page.project.name)}</p><p>${text(dayWords(page.madeOn))}</p></header>
<main>${page.rooms.map((room) => renderRoom(room, page, pictureSrc)).join('')}</main>
</body></html>`;
}

function renderRoom(client: ClientRoom, page: ClientPage, pictureSrc: (id: PictureId) => string): string {
  const figures = figuresOf(client, page.project.currency)
    .map(({ value, label }) => `<div><b>${text(value)}</b><span>${text(label)}</span></div>`)
    .join('');
  const destinations = destinationLines(client)
    .map(({ where, amount }) => `<tr><th scope="row">${text(where)}</th><td>${text(amount)}</td></tr>`)
    .join('');
  const lives = client.results.livesAt
    .map((line) => `<tr><th scope="row">${text(line.groupName)}</th><td>${text(livesLine(line))}</td><td>${text(inLine(line))}</td></tr>`)
    .join('');
  return `<section class="room"><h1>${text(client.room.name)}</h1>
${client.room.purpose ? `<p class="purpose">${text(client.room.purpose)}</p>` : ''}
${client.pairs.map((pair) => renderPair(pair, pictureSrc)).join('')}
<div class="figures">${figures}</div>
${destinations ? `<h2>What left this room, and where it went</h2><table>${destinations}</table>` : ''}
${lives ? `<h2>Where everything lives now</h2><table class="lives"><thead><tr><th>Group</th><th>Place</th><th>In</th></tr></thead>${lives}</table>` : ''}
</section>`;
}

function renderPair({ vantagePoint, before, after }: PicturePair, pictureSrc: (id: PictureId) => string): string {
  if (!before && !after) return '';
  const figure = (picture: typeof before, word: string) =>
    picture
      ? `<figure><img src="${text(pictureSrc(picture.id))}" width="${picture.widthPx}" height="${picture.heightPx}" alt="${text(`${word}, ${vantagePoint.name}`)}"><figcaption><b>${word}</b> ${text(dayWords(picture.takenAt))}, ${text(vantagePoint.name)}</figcaption></figure>`
      : '';
  return `<div class="pair">${figure(before, 'Before')}${figure(after, 'After')}</div>`;
}

const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
const text = (raw: string): string => raw.replace(/[&<>"']/g, (sign) => ENTITIES[sign] ?? sign);

const STYLE = `
*{box-sizing:border-box;margin:0}
body{font:16px/1.45 "Atkinson Hyperlegible Next Variable","Atkinson Hyperlegible Next",Verdana,sans-serif;color:#22201b;background:#f3ede0;font-variant-numeric:tabular-nums}
h1,h2,.home{font-family:"Bitter Variable",Bitter,Georgia,serif;line-height:1.15}
header{display:flex;justify-content:space-between;align-items:baseline;gap:16px;max-width:960px;margin:0 auto;padding:20px 24px 12px;border-bottom:4px solid #23407a}
.home{font-weight:700;font-size:18px}
main{max-width:960px;margin:0 auto;padding:8px 24px 48px}
.room{padding-top:24px}
h1{font-size:30px}
.purpose{font-size:17px;color:#625b4d;margin:6px 0 0;max-width:60ch}
h2{font-size:19px;margin:28px 0 8px}
.pair{display:grid;grid-template-columns:1fr 1fr;gap:12px;margin-top:18px}
figure{border:1px solid #d5cab5;border-radius:6px;overflow:hidden;background:#fbf8f1}
img{display:block;width:100%;height:auto}
figcaption{padding:8px 10px;font-size:14px}
.figures{display:grid;grid-template-columns:repeat(auto-fit,minmax(150px,1fr));gap:14px;margin-top:22px}
.figures div{border-top:3px solid #23407a;padding-top:8px}
.figures b{display:block;font-size:23px;line-height:1.2}
.figures span{font-size:14px;color:#625b4d}
table{width:100%;border-collapse:collapse;background:#fbf8f1;border:1px solid #d5cab5}
th,td{text-align:left;padding:7px 12px;border-top:1px solid #e6dcc8;font-weight:400;vertical-align:top}
thead th{font-size:13px;color:#625b4d;font-weight:700;border-top:0}
td:last-child{text-align:right}.lives td:last-child{text-align:left}
th[scope=row]{font-weight:650}
@media (max-width:640px){.pair{grid-template-columns:1fr}header,main{padding-left:16px;padding-right:16px}}
@page{size:A4;margin:14mm}
@media print{body{background:#fff;font-size:11pt}main,header{max-width:none;padding-left:0;padding-right:0}
.room{break-before:page}.room:first-child{break-before:auto}
.pair,.figures,figure,tr{break-inside:avoid}h2{break-after:avoid}thead{display:table-header-group}}
`;
