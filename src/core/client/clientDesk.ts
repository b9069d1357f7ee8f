import type {
  Asked,
  ClientAnswer,
  ClientOpening,
  ClientPage,
  OutgoingMail,
  SharePart,
} from './model';
import type { PageState, Standing } from './standing';

/** An answer with what has become of its question, and what counted before it. */
export interface AnswerOnDesk {
  readonly answer: ClientAnswer;
  readonly standing: Standing;
  readonly before: ClientAnswer | undefined;
}
export interface ClientDesk {
  readonly sharedParts: readonly SharePart[];
  /** What could be asked now, and whether a page that is out asks it already. */
  readonly askable: readonly { readonly asked: Asked; readonly isOut: boolean }[];
  readonly answers: readonly AnswerOnDesk[];
  readonly pages: readonly {
    readonly page: ClientPage;
    readonly state: PageState;
    readonly opening: ClientOpening | undefined;
    readonly answerCount: number;
  }[];
  readonly mails: readonly OutgoingMail[];
}
