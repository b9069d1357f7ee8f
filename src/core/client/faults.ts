import type { AnswerFileFault } from './answerFile';
import type { Standing } from './standing';

/** Why a page was not made. */
export type PageFault =
  /** Neither a question nor anything shared: the page would be empty. */
  | { readonly code: 'empty' }
  /** A part that is not shared of this home. */
  | { readonly code: 'not_shared' };

/** Why an answer file was not taken in. */
export type FileFault =
  | AnswerFileFault
  /** It belongs to no page of this home. */
  | { readonly code: 'other_home' }
  | { readonly code: 'page_ended' };

/** Why an answer was not taken. */
export type AnswerFault =
  /** Something was decided since; it is taken where somebody says so once more. */
  | { readonly code: 'changed_since'; readonly standing: Standing }
  | { readonly code: 'settled_already' }
  /** The thing is no longer there, so that nothing can be decided of it. */
  | { readonly code: 'gone' };

/** Why a message was not sent. */
export type MailFault =
  | { readonly code: 'no_answer'; readonly said: string }
  /** The mail server said no. */
  | { readonly code: 'refused'; readonly said: string }
  /** It broke off where it may have been taken. */
  | { readonly code: 'unclear'; readonly said: string }
  /** It is on its way, or has gone. */
  | { readonly code: 'sent_already' }
  /** What it carries was revoked or has ended. */
  | { readonly code: 'page_ended' };
