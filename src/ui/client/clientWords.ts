import { formatDistanceToNowStrict, parseISO } from 'date-fns';

import type {
  AnswerFault,
  FileFault,
  Asked,
  ClientAnswer,
  ClientPage,
  MailFault,
  PageFault,
  PageState,
  Saying,
  SharePart,
  Standing,
} from '@/core/client';
import { assertNever, formatCount, formatMoney, type Currency, formatDate } from '@/core/shared';
import { verdictTold } from '../sort/sortWords';

export const partWords: Readonly<Record<SharePart, string>> = {
  days: 'Days and what to prepare',
  pictures: 'Pictures before and after',
  places: 'Where everything lives',
  agreement: 'What was agreed',
  given: 'What was handed over, with receipts',
  statement: 'The statement',
};

/** As the client reads it on the buttons of their page. */
export const sayingWords: Readonly<Record<Saying, string>> = {
  keep: 'Keep',
  donate: 'Give away',
  discard: 'Throw out',
  sell: 'Sell',
  later: 'Decide later',
  yes: 'Yes, buy it',
  no: 'No',
  cheaper: 'Something cheaper',
  agreed: 'I agree',
  talk: 'Let us talk',
};

/** In a sentence of somebody who said it: "Ines: keep". */
export const saidWords = (says: Saying): string =>
  says === 'talk' ? 'wants to talk about it' : `says “${sayingWords[says].toLowerCase()}”`;

export const askedName = (asked: Asked): string => {
  switch (asked.about) {
    case 'thing':
      return asked.count === 1 ? asked.name : `${asked.count} ${asked.name}`;
    case 'purchase':
      return asked.qty === 1 ? asked.name : `${asked.qty} × ${asked.name}`;
    case 'agreement':
      return 'The agreement';
    default:
      return assertNever(asked);
  }
};

const momentWords = (iso: string): string => formatDate(parseISO(iso), 'd MMM, HH:mm');
export const saidAtWords = ({ by, saidAt, way }: ClientAnswer): string =>
  `${by}, ${momentWords(saidAt)}${way === 'file' ? ', by file' : ''}`;

/** What changed since it was asked; empty where nothing did. */
export function standingWords(standing: Standing, currency: Currency): string {
  switch (standing.is) {
    case 'same':
      return '';
    case 'asked_anew':
      return `the question was changed on ${momentWords(standing.at)}`;
    case 'decided':
      return `decided since, on ${momentWords(standing.at)}: ${verdictTold[standing.verdict].toLowerCase()}`;
    case 'gone':
      return 'it was put together with other things, or taken back';
    case 'off_the_list':
      return 'it is no longer on the shopping list';
    case 'bought':
      return 'it was bought since';
    case 'dearer':
      return `it comes to ${formatMoney(standing.nowMinor, currency)} by now`;
    case 'cheaper':
      return `it comes to no more than ${formatMoney(standing.nowMinor, currency)} by now`;
    case 'more':
      return `the list wants ${standing.qty} by now`;
    case 'agreement_changed':
      return `${formatCount(standing.count, 'line')} of the agreement changed since`;
    default:
      return assertNever(standing);
  }
}

/** "opened twice, last 20 minutes ago" */
export function openedWords(
  opening: { readonly count: number; readonly lastAt: string } | undefined,
): string {
  if (!opening) return 'not opened yet';
  const times = opening.count === 1 ? 'opened once' : `opened ${opening.count} times`;
  return `${times}, last ${formatDistanceToNowStrict(parseISO(opening.lastAt))} ago`;
}

export function pageStateWords({ endsAt, way }: ClientPage, state: PageState): string {
  if (state === 'revoked') return 'revoked';
  if (way === 'file') return 'a file: what was sent cannot be called back';
  if (state === 'ended') return `ended on ${endsAt === null ? '' : momentWords(endsAt)}`;
  return endsAt === null ? 'open' : `open until ${momentWords(endsAt)}`;
}

export const pageFaultWords = ({ code }: PageFault): string =>
  code === 'empty'
    ? 'The page would be empty: tick a question, or something to show.'
    : 'That is not shared of this home. Tick it under “Shared of this home” first.';

export function fileFaultWords(fault: FileFault): string {
  switch (fault.code) {
    case 'other_home':
      return 'These answers belong to a page that was not made for this home, or is no longer there.';
    case 'page_ended':
      return 'The page that these answers belong to was revoked. Nothing of it was taken in.';
    case 'no_answers':
      return 'This is no answer file, and no message that holds one.';
    case 'too_long':
      return 'This is too long for an answer file.';
    case 'damaged':
      return fault.path === 'text'
        ? 'The text was cut or changed on its way. Ask for the file instead.'
        : `The answer file is damaged at “${fault.path}”. Nothing of it was taken.`;
    default:
      return assertNever(fault);
  }
}

export function answerFaultWords(fault: AnswerFault, currency: Currency): string {
  switch (fault.code) {
    case 'changed_since':
      return `Not taken: ${standingWords(fault.standing, currency)}.`;
    case 'settled_already':
      return 'This answer was dealt with already.';
    case 'gone':
      return 'Not taken: what it is about is no longer there.';
    default:
      return assertNever(fault);
  }
}

export function mailFaultWords(fault: MailFault): string {
  switch (fault.code) {
    case 'no_answer':
      return 'The mail server does not answer. The message waits; send it again later.';
    case 'refused':
      return `The mail server refused it: ${fault.said}`;
    case 'unclear':
      return 'It broke off while it was sent. Whether it went is not known; ask before you send it again.';
    case 'sent_already':
      return 'This message has gone, or is on its way.';
    case 'page_ended':
      return 'The page that it carries was revoked or has ended. Make a new one.';
    default:
      return assertNever(fault);
  }
}

export const mailStateWords: Readonly<Record<string, string>> = {
  waits: 'waits to be sent',
  sending: 'is being sent',
  sent: 'sent',
  failed: 'not sent',
  unclear: 'perhaps sent',
};
