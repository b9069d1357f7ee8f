export const unitKinds = [
  'cupboard',
  'drawers',
  'under-basin',
  'shelving',
  'cubes',
  'wardrobe',
  'fridge',
  'locker',
  'bench',
  'hooks',
  'under-bed',
  'cupboard-top',
  'other',
] as const;

/** How a unit opens into the room: one leaf hinged on a side, two leaves, leaves that slide, or none. */
export const unitDoors = ['none', 'left', 'right', 'pair', 'slides'] as const;

export const fixtureKinds = [
  'door',
  'window',
  'socket',
  'radiator',
  'meter',
  'valve',
  'station',
] as const;

/** How a door opens: into the room, hinged where its wall begins or ends; out of it; along the wall. */
export const doorSwings = ['in-start', 'in-end', 'out', 'slides'] as const;

export const passageKinds = ['hall', 'stairs', 'opening'] as const;

export type PassageKind = (typeof passageKinds)[number];

export const moments = ['before', 'emptied', 'mock-up', 'after', 'later'] as const;
