import { compareAgreements, type AgreementLine } from '../agree';
import { waitsForClient, type Thing, type Verdict } from '../sort';
import type { Asked, AskedPurchase, AskedThing, ClientAnswer, ClientPage } from './model';

/** What has become of a question since it was asked. */
export type Standing =
  | { readonly is: 'same' }
  /** The question was changed: another number, another name. */
  | { readonly is: 'asked_anew'; readonly at: string }
  | { readonly is: 'decided'; readonly verdict: Verdict; readonly at: string }
  | { readonly is: 'gone' }
  | { readonly is: 'off_the_list' }
  | { readonly is: 'bought' }
  | { readonly is: 'dearer' | 'cheaper'; readonly nowMinor: number }
  | { readonly is: 'more'; readonly qty: number }
  | { readonly is: 'agreement_changed'; readonly count: number };

/** A line of a room's list as it stands now. */
export interface LineNow {
  readonly roomId: string;
  readonly needId: string;
  readonly qty: number;
  readonly lineMinor: number;
  /** Nothing of it is left to buy. */
  readonly isBought: boolean;
}
export interface HomeNow {
  readonly things: readonly Thing[];
  readonly lines: readonly LineNow[];
  readonly agreementLines: readonly AgreementLine[];
}

/** Compares a question with the home as it stands now. O(things + lines). */
export function standingOf(asked: Asked, now: HomeNow): Standing {
  switch (asked.about) {
    case 'thing':
      return standingOfThing(asked, now.things);
    case 'purchase':
      return standingOfLine(asked, now.lines);
    case 'agreement': {
      const { length: count } = compareAgreements(asked.lines, now.agreementLines);
      return count === 0 ? { is: 'same' } : { is: 'agreement_changed', count };
    }
  }
}

function standingOfThing({ thingId, decisionId }: AskedThing, things: readonly Thing[]): Standing {
  const thing = things.find(({ id }) => id === thingId);
  if (!thing) return { is: 'gone' };
  if (thing.decisionId === decisionId) return { is: 'same' };
  return waitsForClient(thing)
    ? { is: 'asked_anew', at: thing.decidedAt }
    : { is: 'decided', verdict: thing.verdict, at: thing.decidedAt };
}

function standingOfLine(asked: AskedPurchase, lines: readonly LineNow[]): Standing {
  const line = lines.find(
    ({ roomId, needId }) => roomId === asked.roomId && needId === asked.needId,
  );
  if (!line) return { is: 'off_the_list' };
  if (line.isBought) return { is: 'bought' };
  if (line.lineMinor !== asked.lineMinor)
    return {
      is: line.lineMinor > asked.lineMinor ? 'dearer' : 'cheaper',
      nowMinor: line.lineMinor,
    };
  return line.qty === asked.qty ? { is: 'same' } : { is: 'more', qty: line.qty };
}

/** Whether taking an answer would go over something that somebody decided since it was asked. */
export const goesOverSomething = ({ is }: Standing): boolean =>
  is !== 'same' && is !== 'dearer' && is !== 'cheaper';

/** Whether nothing can be said to a question any more: it was decided or bought, or is gone. */
export const isPastAnswering = ({ is }: Standing): boolean =>
  is === 'decided' || is === 'gone' || is === 'bought' || is === 'off_the_list';

/** How far a page is still good. */
export type PageState = 'open' | 'ended' | 'revoked';
export const pageStateOf = (
  { endsAt, revokedAt }: Pick<ClientPage, 'endsAt' | 'revokedAt'>,
  now: string,
): PageState => {
  if (revokedAt !== null) return 'revoked';
  return endsAt !== null && endsAt <= now ? 'ended' : 'open';
};

/** Answers that wait, the newest of each question on top; what was replaced is left out. */
export const waitingAnswers = (answers: readonly ClientAnswer[]): readonly ClientAnswer[] =>
  answers
    .filter(({ state }) => state === 'waits')
    .toSorted((a, b) => b.saidAt.localeCompare(a.saidAt) || a.id.localeCompare(b.id));

/** The last thing that a client said to a line of a room's list, whether or not it was taken; not what was set aside. */
export const lastSaidOfLine = (
  answers: readonly ClientAnswer[],
  { roomId, needId }: { readonly roomId: string; readonly needId: string },
): ClientAnswer | undefined =>
  answers
    .filter(
      ({ asked, state }) =>
        asked.about === 'purchase' &&
        asked.roomId === roomId &&
        asked.needId === needId &&
        (state === 'waits' || state === 'taken'),
    )
    .toSorted((a, b) => b.saidAt.localeCompare(a.saidAt))[0];

/** What was said before about the same thing, line or agreement, and counted. */
export const lastTaken = (
  answer: ClientAnswer,
  answers: readonly ClientAnswer[],
): ClientAnswer | undefined =>
  answers
    .filter(
      ({ id, asked, state }) =>
        id !== answer.id && state === 'taken' && asked.key === answer.asked.key,
    )
    .toSorted((a, b) => (b.settledAt ?? '').localeCompare(a.settledAt ?? ''))[0];
