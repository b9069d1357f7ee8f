import 'server-only';

import { compareAgreements, type ProjectEstimate } from '@/core/agree';
import { formatCount, formatMoney } from '@/core/shared';
import type { Db } from '@/data/db';
import type { Records } from '@/data/records';
import { dayWords } from '../show/clientWords';
import { agreementLinesOf, agreementPartsOf } from './agreementLines';
import { loadEstimate, type EstimateName } from './loadEstimate';
import type { AgreementSheet } from './renderAgreement';

/** The sheet as it stands today, with what changed since it was agreed last. */
export async function loadAgreementSheet(
  db: Db,
  records: Records<'agreements' | EstimateName>,
  now: string,
): Promise<AgreementSheet> {
  const { estimate } = await loadEstimate(db, records, now.slice(0, 10));
  const last = records.agreements.at(-1);
  return {
    home: records.project.name,
    day: dayWords(now),
    parts: agreementPartsOf(records),
    estimateWords: estimateWords(estimate, records),
    since: last && {
      day: dayWords(last.agreedAt),
      agreedBy: last.agreedBy,
      changes: compareAgreements(last.lines, agreementLinesOf(records)),
    },
  };
}

function estimateWords(
  { visits, feeMinor, likelyMinutes, lowMinutes, highMinutes }: ProjectEstimate,
  { project }: Records<'project'>,
): string[] {
  if (likelyMinutes === 0) return [];
  const hours = (minutes: number) => Math.round(minutes / 60);
  // Money of an estimate carries no pence.
  const money = (minor: number) =>
    formatMoney(minor, project.currency).replace(/[.,]00(?=\D|$)/, '');
  const fee =
    project.terms.hourlyRateMinor > 0
      ? ` The fee for that: ${money(feeMinor.low)} to ${money(feeMinor.high)}.`
      : '';
  const howMany =
    visits.low === visits.high
      ? formatCount(visits.low, 'visit')
      : `${visits.low} to ${visits.high} visits`;
  const range = `${hours(lowMinutes)} to ${hours(highMinutes)}`;
  return [
    `An estimate: about ${formatCount(hours(likelyMinutes), 'hour')} (${range}), ${howMany}.${fee}`,
  ];
}
