import type { FieldCommand } from '@/core/field';

/** What was done on site, in a word or two. */
export function commandName(command: FieldCommand): string {
  switch (command.kind) {
    case 'bought':
      return `${command.label}, bought`;
    case 'shortage':
      return command.isShort ? 'Not to be had at a shop' : 'To be had again at a shop';
    case 'debt':
      return `Went out unsorted: ${command.note}`;
    case 'debt_settled':
      return 'What went out unsorted is sorted';
    case 'step_over':
      return command.isEnd ? 'End of the session' : 'Next step of the session';
    case 'task':
      return command.isDone ? 'A task of setting up, done' : 'A task of setting up, open again';
    case 'move':
      return command.isDone ? 'A move, done' : 'A move, open again';
  }
}

/** Beside what waits for a connection. */
export const WAITS_WORDS = 'waits to be sent';
