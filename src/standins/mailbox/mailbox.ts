/** A message that lies in the simulated mailbox. */
export interface Message {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  readonly attachments: readonly {
    readonly name: string;
    readonly type: string;
    readonly base64: string;
  }[];
}
export type MailboxMood = 'well' | 'down' | 'refuses';

export interface Mailbox {
  readonly mood: () => MailboxMood;
  readonly setMood: (mood: MailboxMood) => void;
  readonly messages: () => readonly Message[];
  /** The same id is the same message, however often it comes. */
  readonly take: (message: Message) => void;
  readonly find: (id: string) => Message | undefined;
}

const MOST = 200;

/** A mailbox that takes every message and sends none on. The newest lies on top. */
export function createMailbox(): Mailbox {
  let mood: MailboxMood = 'well';
  let messages: readonly Message[] = [];
  return {
    mood: () => mood,
    setMood: (next) => {
      mood = next;
    },
    messages: () => messages,
    take: (message) => {
      if (!messages.some(({ id }) => id === message.id))
        messages = [message, ...messages].slice(0, MOST);
    },
    find: (id) => messages.find((each) => each.id === id),
  };
}
