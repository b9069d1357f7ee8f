export const lidWishes = ['required', 'forbidden', 'any'] as const;

export const seeWishes = ['clear', 'opaque', 'any'] as const;

export const materials = ['plastic', 'wood', 'wicker', 'metal', 'glass', 'card', 'fabric'] as const;

export const fitAims = ['cost', 'uniform', 'reuse', 'easy', 'daily'] as const;

export type FitAim = (typeof fitAims)[number];

export const containerRoles = [
  'box',
  'riser',
  'turntable',
  'insert',
  'rack',
  'under-shelf',
  'rail',
  'hooks',
  'pull-out',
  'divider',
] as const;

export type ContainerRole = (typeof containerRoles)[number];

/** What stands to bear others, and holds nothing of itself. */
export const bearingRoles: ReadonlySet<ContainerRole> = new Set<ContainerRole>([
  'riser',
  'turntable',
  'pull-out',
]);

/** What is fastened above, and takes its height from there. */
export const hangingRoles: ReadonlySet<ContainerRole> = new Set<ContainerRole>([
  'under-shelf',
  'rail',
  'hooks',
]);

export type RoleField =
  | 'underHeight'
  | 'underWidth'
  | 'mostWidth'
  | 'plateHeight'
  | 'rim'
  | 'hooks'
  | 'places'
  | 'placeDiameter'
  | 'travel'
  | 'clipMost';

export const NEEDED: Readonly<Partial<Record<ContainerRole, readonly RoleField[]>>> = {
  riser: ['underHeight', 'underWidth'],
  turntable: ['plateHeight'],
  rail: ['hooks'],
  hooks: ['hooks'],
  rack: ['places', 'placeDiameter'],
  'pull-out': ['travel'],
  'under-shelf': ['clipMost'],
};

/** Litres of each kind are rounded. */
export const KINDS_OFF_LITRES = 0.02;
