import type { ContentKind } from '@/core/agree';
import {
  leadsToSchema,
  type DoorSwing,
  type FixtureKind,
  type LeadsTo,
  type PassageKind,
  type RoutineBreak,
  type UnitDoor,
} from '@/core/look';

/** What was seen and settled in the demo's homes, in short hand; seedPlans.ts turns it into records. */
export interface DemoPlan {
  /** Lengths in order, walking with the room on the right hand; `<` behind one turns left at its end. */
  readonly walls: readonly string[];
  /** By unit: wall counted from 1, from its corner, off it. */
  readonly places: Readonly<Record<string, readonly [wall: number, along: string, off?: string]>>;
  readonly doors?: Readonly<Record<string, UnitDoor>>;
  /** Shelves that can move, and how far their holes lie apart. */
  readonly holes?: Readonly<Record<string, string>>;
  readonly fixtures: readonly DemoFixture[];
  readonly checks: readonly DemoCheck[];
  readonly breaks?: readonly Omit<RoutineBreak, 'isMended'>[];
  readonly inView?: string;
  /** By unit: what lies there, how full; `out` is not this time. */
  readonly sections: Readonly<
    Record<string, readonly [content: ContentKind, fullPercent: number, scope?: 'out']>
  >;
  readonly workedHours?: number;
}
export interface DemoFixture {
  readonly kind: FixtureKind;
  readonly name: string;
  readonly at: readonly [wall: number, along: string];
  readonly width: string;
  readonly depth?: string;
  /** Lower and upper edge. */
  readonly height: readonly [string, string];
  readonly swing?: DoorSwing;
  readonly leadsTo?: LeadsTo;
}
export interface DemoCheck {
  readonly text: string;
  readonly clear?: {
    readonly surface: 'floor' | 'table';
    readonly width: string;
    readonly depth: string;
    readonly at?: readonly [wall: number, along: string, off: string];
    readonly unit?: string;
  };
  readonly answer?: 'yes' | 'no';
}

const door = (
  name: string,
  at: DemoFixture['at'],
  width: string,
  swing: DoorSwing,
  /** A room or passage by its id, or `outside`. */
  leads?: 'outside' | 'hall' | 'linen-press' | 'spare-room',
): DemoFixture => ({
  kind: 'door',
  name,
  at,
  width,
  height: ['0', '200 cm'],
  swing,
  ...(leads === undefined ? {} : { leadsTo: toLeadsTo(leads) }),
});
function toLeadsTo(leads: string): LeadsTo {
  if (leads === 'outside') return { to: 'outside' };
  return leadsToSchema.parse(
    leads === 'hall' ? { to: 'passage', passageId: leads } : { to: 'room', roomId: leads },
  );
}

export const demoPlans: Readonly<Record<string, DemoPlan>> = {
  'boot-room': {
    walls: ['300 cm', '190 cm', '300 cm', '190 cm'],
    places: { 'shoe-rack': [1, '90 cm'], laundry: [3, '10 cm'] },
    doors: { laundry: 'left' },
    fixtures: [
      door('Back door', [2, '40 cm'], '80 cm', 'out', 'outside'),
      door('Door to the hall', [4, '40 cm'], '76 cm', 'in-start', 'hall'),
      {
        kind: 'window',
        name: 'Window',
        at: [1, '100 cm'],
        width: '90 cm',
        height: ['162 cm', '210 cm'],
      },
      {
        kind: 'station',
        name: 'Washing machine',
        at: [3, '80 cm'],
        width: '60 cm',
        depth: '60 cm',
        height: ['0', '85 cm'],
      },
      {
        kind: 'socket',
        name: 'Socket',
        at: [1, '20 cm'],
        width: '9 cm',
        height: ['30 cm', '39 cm'],
      },
      {
        kind: 'valve',
        name: 'Stopcock',
        at: [3, '200 cm'],
        width: '12 cm',
        height: ['20 cm', '32 cm'],
      },
    ],
    checks: [
      {
        text: 'Two people sit down to put boots on',
        clear: { surface: 'floor', width: '120 cm', depth: '70 cm', at: [1, '90 cm', '40 cm'] },
      },
      {
        text: 'The washing machine door opens fully',
        clear: { surface: 'floor', width: '60 cm', depth: '55 cm', at: [3, '80 cm', '60 cm'] },
      },
      { text: 'Ida hangs up her own coat', answer: 'yes' },
    ],
    breaks: [
      {
        what: 'Wet boots stay on the stairs',
        who: 'Ida and Tom',
        when: 'weekdays after school',
        failingStep: 'nowhere to sit down',
      },
    ],
    inView: 'both units and the floor before them',
    sections: { 'shoe-rack': ['clothes', 120], laundry: ['mixed', 100] },
    workedHours: 7.5,
  },
  'music-room': {
    walls: ['420 cm', '360 cm', '300 cm', '90 cm<', '120 cm', '270 cm'],
    places: { scores: [1, '20 cm'] },
    fixtures: [
      door('Door', [3, '40 cm'], '80 cm', 'in-start', 'hall'),
      {
        kind: 'station',
        name: 'Piano',
        at: [2, '110 cm'],
        width: '150 cm',
        depth: '62 cm',
        height: ['0', '125 cm'],
      },
      {
        kind: 'station',
        name: 'Window seat',
        at: [6, '60 cm'],
        width: '130 cm',
        depth: '45 cm',
        height: ['0', '48 cm'],
      },
      {
        kind: 'window',
        name: 'Bay window',
        at: [6, '60 cm'],
        width: '130 cm',
        height: ['60 cm', '220 cm'],
      },
      {
        kind: 'socket',
        name: 'Sockets',
        at: [4, '40 cm'],
        width: '18 cm',
        height: ['30 cm', '39 cm'],
      },
    ],
    checks: [
      {
        text: 'Four people play at once',
        clear: { surface: 'floor', width: '240 cm', depth: '180 cm' },
      },
      { text: 'Every score is found in a minute' },
    ],
    breaks: [
      {
        what: 'Loose sheets pile up on the piano',
        who: 'everybody',
        when: 'after practice',
        failingStep: 'no box within reach of the stool',
      },
    ],
    sections: { scores: ['books', 100] },
  },
  workbench: {
    walls: ['540 cm', '290 cm', '540 cm', '290 cm'],
    places: { bench: [1, '40 cm'], wall: [1, '110 cm'] },
    fixtures: [
      door('Up-and-over door', [4, '30 cm'], '230 cm', 'out', 'outside'),
      door('Side door', [3, '60 cm'], '76 cm', 'in-end', 'outside'),
      {
        kind: 'meter',
        name: 'Electricity meter',
        at: [2, '30 cm'],
        width: '40 cm',
        depth: '18 cm',
        height: ['120 cm', '170 cm'],
      },
      {
        kind: 'socket',
        name: 'Sockets',
        at: [1, '100 cm'],
        width: '9 cm',
        height: ['100 cm', '109 cm'],
      },
      {
        kind: 'station',
        name: 'Vice',
        at: [1, '280 cm'],
        width: '70 cm',
        depth: '60 cm',
        height: ['0', '88 cm'],
      },
      {
        kind: 'station',
        name: 'Glue table',
        at: [3, '300 cm'],
        width: '90 cm',
        depth: '50 cm',
        height: ['0', '80 cm'],
      },
    ],
    checks: [
      {
        text: 'The bench top is clear enough to mend a chair on',
        clear: { surface: 'table', width: '50 cm', depth: '50 cm', unit: 'bench' },
      },
      {
        text: 'Two bikes stand without touching the shelves',
        clear: { surface: 'floor', width: '180 cm', depth: '120 cm' },
      },
    ],
    sections: { bench: ['tools', 120], wall: ['tools', 100] },
  },
  'linen-press': {
    walls: ['310 cm', '150 cm', '310 cm', '150 cm'],
    places: { left: [1, '10 cm'], right: [1, '110 cm'], tank: [1, '198 cm'] },
    doors: { left: 'pair', right: 'left' },
    holes: { left: '32 mm', right: '32 mm' },
    fixtures: [
      door('Bathroom door', [2, '65 cm'], '70 cm', 'out'),
      door('Spare room door', [3, '200 cm'], '76 cm', 'out', 'spare-room'),
      {
        kind: 'valve',
        name: 'Tank valve',
        at: [1, '285 cm'],
        width: '12 cm',
        height: ['40 cm', '52 cm'],
      },
      {
        kind: 'station',
        name: 'Folding ledge',
        at: [3, '110 cm'],
        width: '60 cm',
        depth: '25 cm',
        height: ['80 cm', '84 cm'],
      },
      {
        kind: 'station',
        name: 'Top of the stairs',
        at: [4, '50 cm'],
        width: '60 cm',
        depth: '8 cm',
        height: ['0', '90 cm'],
      },
    ],
    checks: [
      { text: 'Guest beds are made up in ten minutes' },
      {
        text: 'A basket stands open while one folds',
        clear: { surface: 'floor', width: '50 cm', depth: '60 cm', at: [3, '200 cm', '0'] },
      },
    ],
    breaks: [
      {
        what: 'Towels come down in an avalanche',
        who: 'Ida',
        when: 'before her bath',
        failingStep: 'the pile is higher than she reaches',
      },
    ],
    inView: 'all three doors, open',
    sections: { left: ['linen', 120], right: ['linen', 100], tank: ['mixed', 50, 'out'] },
  },
  'spare-room': {
    walls: ['340 cm', '290 cm', '340 cm', '290 cm'],
    places: { wardrobe: [2, '10 cm'], 'under-bed': [4, '75 cm'] },
    doors: { wardrobe: 'pair' },
    fixtures: [
      door('Door', [3, '20 cm'], '76 cm', 'in-start', 'linen-press'),
      {
        kind: 'window',
        name: 'Window',
        at: [1, '120 cm'],
        width: '120 cm',
        height: ['90 cm', '210 cm'],
      },
      {
        kind: 'radiator',
        name: 'Radiator',
        at: [1, '130 cm'],
        width: '100 cm',
        depth: '11 cm',
        height: ['15 cm', '60 cm'],
      },
      {
        kind: 'station',
        name: 'Bed',
        at: [4, '75 cm'],
        width: '140 cm',
        depth: '195 cm',
        height: ['25 cm', '60 cm'],
      },
      {
        kind: 'socket',
        name: 'Socket',
        at: [4, '40 cm'],
        width: '9 cm',
        height: ['30 cm', '39 cm'],
      },
    ],
    checks: [
      {
        text: 'A chair with a light by the window',
        clear: { surface: 'floor', width: '75 cm', depth: '80 cm', at: [1, '195 cm', '14 cm'] },
      },
      {
        text: 'A clear way from the bed to the door',
        clear: { surface: 'floor', width: '90 cm', depth: '60 cm', at: [3, '20 cm', '20 cm'] },
      },
    ],
    breaks: [
      {
        what: 'Nobody can get at the spare blankets',
        who: 'Nora',
        when: 'when guests come',
        failingStep: 'the boxes under the bed do not come out',
      },
    ],
    sections: { wardrobe: ['clothes', 150], 'under-bed': ['keepsakes', 75] },
  },
  galley: {
    walls: [`8' 2"`, `5' 6"`, `8' 2"`, `5' 6"`],
    places: { 'galley-cup': [1, `1' 4"`] },
    doors: { 'galley-cup': 'pair' },
    fixtures: [
      {
        kind: 'station',
        name: 'Stove',
        at: [1, `4' 8"`],
        width: `1' 8"`,
        depth: `1' 8"`,
        height: ['0', `2' 11"`],
      },
      {
        kind: 'valve',
        name: 'Gas shut-off',
        at: [1, `6' 8"`],
        width: '5"',
        height: ['8"', `1' 1"`],
      },
    ],
    checks: [
      {
        text: 'Two pass each other while one cooks',
        clear: { surface: 'floor', width: `2' 8"`, depth: `2' 6"` },
      },
    ],
    sections: { 'galley-cup': ['kitchen', 120] },
  },
  lockers: {
    walls: [`12' 4"`, `6' 4"`, `12' 4"`, `6' 4"`],
    places: { locker: [1, `2' 0"`] },
    fixtures: [
      {
        kind: 'station',
        name: 'Saloon table',
        at: [3, `4' 0"`],
        width: `3' 6"`,
        depth: `2' 2"`,
        height: ['0', `2' 5"`],
      },
    ],
    checks: [{ text: 'Life jackets are out in ten seconds' }],
    sections: { locker: ['tools', 100] },
  },
  shed: {
    walls: ['240 cm', '180 cm', '240 cm', '180 cm'],
    places: { 'shed-shelf': [1, '40 cm'] },
    fixtures: [
      door('Shed door', [3, '80 cm'], '76 cm', 'out'),
      {
        kind: 'station',
        name: 'Potting bench',
        at: [2, '60 cm'],
        width: '100 cm',
        depth: '50 cm',
        height: ['0', '88 cm'],
      },
    ],
    checks: [
      {
        text: 'Sow and pot on without stepping over anything',
        clear: { surface: 'floor', width: '100 cm', depth: '90 cm' },
        answer: 'yes',
      },
    ],
    inView: 'the shelves and the floor',
    sections: { 'shed-shelf': ['tools', 100] },
    workedHours: 10,
  },
};

/** How the rooms of a demo home are joined, besides their doors. */
export interface DemoPassage {
  readonly id: string;
  readonly kind: PassageKind;
  readonly name: string;
  readonly length: string;
  readonly steps?: number;
  readonly roomIds?: readonly string[];
  readonly passageIds?: readonly string[];
}
export const demoPassages: Readonly<Record<string, readonly DemoPassage[]>> = {
  'quarry-row': [
    { id: 'hall', kind: 'hall', name: 'Hall', length: '420 cm' },
    {
      id: 'stairs',
      kind: 'stairs',
      name: 'Stairs',
      length: '310 cm',
      steps: 14,
      roomIds: ['linen-press'],
      passageIds: ['hall'],
    },
    {
      id: 'yard',
      kind: 'opening',
      name: 'Across the yard',
      length: '600 cm',
      roomIds: ['boot-room', 'workbench'],
    },
  ],
};
