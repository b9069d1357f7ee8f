import type { AgreementChange } from '@/core/agree';
import { escapeHtml as text, openPaper, PAPER_STYLE } from '../show/paper';
import type { AgreementPart } from './agreementLines';

export interface AgreementSheet {
  readonly home: string;
  /** Today, in words. */
  readonly day: string;
  readonly parts: readonly AgreementPart[];
  readonly estimateWords: readonly string[];
  /** The sheet agreed last, and what is different now. */
  readonly since:
    | {
        readonly day: string;
        readonly agreedBy: string;
        readonly changes: readonly AgreementChange[];
      }
    | undefined;
}

/** A change in a sentence: what it was, what it is. */
export function changeWords(change: AgreementChange): string {
  switch (change.kind) {
    case 'added':
      return `${change.label}: ${change.after} (new)`;
    case 'removed':
      return `${change.label}: ${change.before} (no longer)`;
    case 'changed':
      return `${change.label}: ${change.before} is now ${change.after}`;
  }
}

/** The agreement sheet as one HTML document that prints on one A4 page. */
export function renderAgreementHtml(sheet: AgreementSheet, fontCss: string): string {
  const parts = sheet.parts.map(({ title, lines }) => {
    const rows = lines.map(
      ({ label, value }) => `<tr><th scope="row">${text(label)}</th><td>${text(value)}</td></tr>`,
    );
    return `<section><h2>${text(title)}</h2><table>${rows.join('')}</table></section>`;
  });
  const head = openPaper({
    title: `Agreement, ${sheet.home}`,
    style: `${fontCss}${STYLE}`,
    home: sheet.home,
    day: sheet.day,
  });
  return `${head}
<main>
<h1>What we agreed</h1>${sheet.estimateWords.length > 0 ? `<p class="estimate">${sheet.estimateWords.map(text).join('<br>')}</p>` : ''}
${renderSince(sheet.since)}<div class="parts">${parts.join('')}</div>
<div class="signs"><p>Client, date</p><p>Organizer, date</p></div></main></body></html>`;
}

function renderSince(since: AgreementSheet['since']): string {
  if (!since) return '';
  const agreed = `Agreed with ${since.agreedBy} on ${since.day}`;
  if (since.changes.length === 0)
    return `<p class="since">${text(agreed)}; nothing has changed since.</p>`;
  const changes = since.changes.map((change) => `<li>${text(changeWords(change))}</li>`);
  return (
    `<div class="since"><p>${text(agreed)}. Changed since:</p>` +
    `<ul>${changes.join('')}</ul></div>`
  );
}

const STYLE = `${PAPER_STYLE}
main{padding-top:16px}h1{font-size:26px}h2{font-size:15px;margin:0 0 4px}
.estimate{margin-top:6px}
.since{border-left:4px solid #c8641b;background:#fbe7d3;padding:8px 12px;margin-top:12px}.since ul{padding-left:18px}
.parts{columns:2;column-gap:18px;margin-top:14px}section{break-inside:avoid-column;padding-bottom:14px}
table{font-size:13px}th,td{padding:3px 7px}th[scope=row]{width:42%}td:last-child{text-align:left}
.signs{display:grid;grid-template-columns:1fr 1fr;gap:24px;margin-top:34px}
.signs p{border-top:1px solid #22201b;padding-top:4px;font-size:13px}
@media (max-width:640px){.parts{columns:1}}
@media print{table{font-size:8.5pt}h1{font-size:18pt}h2{font-size:10.5pt}.since,.estimate{font-size:9pt}.signs{break-inside:avoid}}
`;
