import type { Step } from '@/core/desk';

/** A page of a step: its path below the step, and its name; the first has an empty path. */
type StepPage = readonly [path: string, label: string];

/** What a step means in the home and in one of its rooms. */
interface StepEntry {
  readonly name: string;
  /** What its pages are pages of, for screen readers. */
  readonly of: string;
  readonly home: readonly [StepPage, ...StepPage[]];
  readonly room: readonly [StepPage, ...StepPage[]];
}

/** Every step that works, said once: the dividers, the pages, the keys and the lists of phones follow. */
export const stepRegistry: Readonly<Record<Step, StepEntry>> = {
  look: {
    name: 'Look',
    of: 'looking',
    home: [
      ['', 'Rooms'],
      ['household', 'Household'],
    ],
    room: [['', 'The room']],
  },
  agree: {
    name: 'Agree',
    of: 'agreeing',
    home: [['', 'Agreement']],
    room: [['', 'This room']],
  },
  sort: {
    name: 'Sort',
    of: 'sorting',
    home: [
      ['', 'What waits'],
      ['count', 'Count'],
      ['dates', 'Dates'],
      ['results', 'Results'],
    ],
    room: [
      ['', 'Bench'],
      ['dates', 'Dates'],
      ['results', 'Results'],
    ],
  },
  place: {
    name: 'Place',
    of: 'placing',
    home: [
      ['', 'All rooms'],
      ['compare', 'Compare'],
      ['moves', 'Moves'],
      ['seasons', 'Seasons'],
    ],
    room: [
      ['', 'On paper'],
      ['compare', 'Compare'],
      ['moves', 'Moves'],
    ],
  },
  fit: {
    name: 'Fit',
    of: 'fitting',
    home: [['', 'Open places']],
    room: [['', 'Place by place']],
  },
  shop: {
    name: 'Shop',
    of: 'shopping',
    home: [
      ['', 'The trip'],
      ['money', 'Money'],
      ['receipts', 'Receipts'],
      ['materials', 'Materials'],
    ],
    room: [
      ['', 'Shopping list'],
      ['materials', 'Materials'],
    ],
  },
  'set-up': {
    name: 'Set up',
    of: 'setting up',
    home: [
      ['', 'All rooms'],
      ['kits', 'Kits'],
    ],
    room: [
      ['', 'Working list'],
      ['units', 'Units'],
      ['labels', 'Labels'],
      ['jars', 'Jars'],
      ['routines', 'Routines'],
    ],
  },
  'take-away': {
    name: 'Take away',
    of: 'taking away',
    home: [
      ['', 'What waits'],
      ['trips', 'Boxes and trips'],
      ['drive', 'On the road'],
      ['sold', 'Sold and promised'],
      ['given', 'Given'],
    ],
    room: [['', 'From this room']],
  },
  show: {
    name: 'Show',
    of: 'showing',
    home: [
      ['', 'Report'],
      ['closing', 'Closing report'],
      ['client', 'The client'],
    ],
    room: [['', 'Pictures']],
  },
  'look-again': {
    name: 'Look again',
    of: 'looking again',
    home: [
      ['', 'Looks'],
      ['test', 'Put-away test'],
      ['findings', 'What was found'],
    ],
    room: [['', 'The walk']],
  },
};
