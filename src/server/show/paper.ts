import { LOCALE } from '@/core/shared';
const ENTITIES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
export const escapeHtml = (raw: string): string =>
  raw.replace(/[&<>"']/g, (sign) => ENTITIES[sign] ?? sign);

/**
 * The head of a page that leaves the app, up to its body's first line; the caller closes `main`,
 * `body` and `html`.
 */
export const openPaper = ({
  title,
  style,
  home,
  day,
}: {
  readonly title: string;
  readonly style: string;
  readonly home: string;
  readonly day: string;
}): string => `<!doctype html>
<html lang="${LOCALE}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<link rel="icon" href="data:,"><title>${escapeHtml(title)}</title><style>${style}</style></head><body>
<header><p class="home">${escapeHtml(home)}</p><p>${escapeHtml(day)}</p></header>`;

/** What every page that leaves the app looks like, on screen and on A4. */
export const PAPER_STYLE = `
*{box-sizing:border-box;margin:0}
body{font:16px/1.45 "Atkinson Hyperlegible Next Variable","Atkinson Hyperlegible Next",Verdana,sans-serif;
color:#22201b;background:#f3ede0;font-variant-numeric:tabular-nums}
h1,h2,.home{font-family:"Bitter Variable",Bitter,Georgia,serif;line-height:1.15}
header{display:flex;justify-content:space-between;align-items:baseline;gap:16px;max-width:960px;margin:0 auto;
padding:20px 24px 12px;border-bottom:4px solid #23407a}
.home{font-weight:700;font-size:18px}
main{max-width:960px;margin:0 auto;padding:8px 24px 48px}
h1{font-size:30px}
h2{font-size:19px;margin:28px 0 8px}
table{width:100%;border-collapse:collapse;background:#fbf8f1;border:1px solid #d5cab5}
th,td{text-align:left;padding:7px 12px;border-top:1px solid #e6dcc8;font-weight:400;vertical-align:top}
thead th{font-size:13px;color:#625b4d;font-weight:700;border-top:0}
td:last-child{text-align:right}
th[scope=row]{font-weight:650}
@media (max-width:640px){header,main{padding-left:16px;padding-right:16px}}
@page{size:A4;margin:14mm}
@media print{body{background:#fff;font-size:11pt}main,header{max-width:none;padding-left:0;padding-right:0}
tr{break-inside:avoid}h2{break-after:avoid}thead{display:table-header-group}}
`;
