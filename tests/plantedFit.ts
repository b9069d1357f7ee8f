import { fitRequestSchema, type FitAnswer, type FitRequest } from '@/core/fit';
import { createRandom, type Random } from '@/core/shared';

type Container = FitRequest['containers'][number];
type Known = Pick<FitAnswer, 'placements' | 'surfaces' | 'costMinor'>;

const GAP = 2;
const LINES = 3;
const TOP = 25;
const FRONT = 5;
const SIDE = 3;

const between = (random: Random, least: number, most: number): number =>
  least + Math.floor(random() * (most - least + 1));

/** Builds a bay and a way to fill it at once: columns of surfaces, each level cut into containers without a rest. */
class Planting {
  readonly containers: Container[] = [];
  readonly groups: FitRequest['groups'][number][] = [];
  readonly placements: FitAnswer['placements'] = [];
  readonly surfaces: NonNullable<FitAnswer['surfaces']> = [];
  x = SIDE;

  constructor(
    readonly random: Random,
    readonly depth: number,
    readonly height: number,
    /** Whether each group wants one line of a few, so that less comes into question. */
    readonly isByLine: boolean,
  ) {}

  /** A container on the list, its price with its size. */
  list(container: Partial<Container> & Pick<Container, 'outer'>): Container {
    const { width, depth, height } = container.outer;
    const innerLitres = Math.round(((width - 6) * (depth - 6) * (height - 4)) / 1e4) / 100;
    const full: Container = {
      id: `c${this.containers.length}`,
      name: `container ${this.containers.length}`,
      innerLitres,
      innerHeight: height - 4,
      material: 'plastic',
      tareG: 100,
      priceMinor: Math.round((150 + 30 * innerLitres) * (0.85 + this.random() * 0.3)),
      ...container,
    };
    this.containers.push(full);
    return full;
  }

  /** Fills a rectangle with equal containers of one group, side by side. */
  fill(
    room: { readonly x: number; readonly y: number; readonly z: number } & Container['outer'],
    count: number,
    more: { readonly on?: number; readonly role?: Container['role'] } = {},
  ): void {
    const width = Math.floor((room.width - (count - 1) * GAP) / count);
    const container = this.list({
      outer: { width, depth: Math.floor(room.depth), height: Math.floor(room.height) },
      turnable: false,
      line: `line ${this.groups.length % LINES}`,
      ...(more.role ? { role: more.role } : {}),
    });
    const groupId = `g${this.groups.length}`;
    const litres = Math.floor(container.innerLitres * count * 0.97 * 100) / 100;
    this.groups.push({
      id: groupId,
      name: groupId,
      litres,
      massG: Math.round(litres * 100),
      ...(this.isByLine ? { line: container.line } : {}),
    });
    for (let i = 0; i < count; i += 1)
      this.placements.push({
        containerId: container.id,
        groupId,
        x: room.x + i * (width + GAP),
        y: room.y,
        z: room.z,
        turned: false,
        ...(more.on === undefined ? {} : { on: more.on }),
      });
  }

  riser(): void {
    const width = between(this.random, 280, 400);
    const height = between(this.random, 130, Math.floor(this.height * 0.5));
    const depth = this.depth - FRONT;
    const riser = this.list({
      role: 'riser',
      outer: { width, depth, height },
      innerLitres: 0,
      innerHeight: 0,
      underHeight: height - 8,
      underWidth: width - 20,
      topLoadG: 15_000,
      tareG: 900,
      priceMinor: between(this.random, 700, 1400),
      turnable: false,
    });
    const on = this.surfaces.push(at(riser, this.x, FRONT)) - 1;
    const { x } = this;
    this.fill(
      { x: x + 12, y: FRONT, z: 0, width: width - 24, depth, height: height - 13 },
      between(this.random, 1, 3),
    );
    const above = this.height - TOP - height;
    this.fill({ x, y: FRONT, z: height, width, depth, height: above }, between(this.random, 1, 3), {
      on,
    });
    this.x += width + GAP;
  }

  turntable(): void {
    const across = Math.min(between(this.random, 250, 340), this.depth - FRONT);
    const isTiered = this.height > 330 && this.random() < 0.5;
    const tierMm = Math.floor((this.height - TOP - 30) / 2);
    const turntable = this.list({
      role: 'turntable',
      shape: 'round',
      outer: { width: across, depth: across, height: 30 },
      innerLitres: 0,
      innerHeight: 0,
      plateHeight: 20,
      rim: 3,
      topLoadG: 9000,
      tareG: 500,
      stackable: isTiered,
      ...(isTiered ? { levelGap: tierMm } : {}),
      priceMinor: between(this.random, 600, 1100),
    });
    const side = Math.floor((across / 2 - 3) * Math.SQRT2) - 1;
    const inset = (across - side) / 2;
    let under: number | undefined;
    for (let tier = 0; tier < (isTiered ? 2 : 1); tier += 1) {
      const z = tier * tierMm;
      const surface = { ...at(turntable, this.x, FRONT), z };
      const on = this.surfaces.push(under === undefined ? surface : { ...surface, on: under }) - 1;
      const top = isTiered && tier === 0 ? tierMm - GAP : this.height - TOP;
      this.fill(
        {
          x: this.x + inset,
          y: FRONT + inset,
          z: z + 20,
          width: side,
          depth: side,
          height: top - z - 20,
        },
        between(this.random, 1, 2),
        { on },
      );
      under = on;
    }
    this.x += across + GAP;
  }

  host(): void {
    const width = between(this.random, 200, 280);
    const depth = this.depth - FRONT;
    const height = between(this.random, 120, 200);
    const host = this.list({
      outer: { width, depth, height },
      innerHeight: height - 4,
      innerWidth: width - 6,
      innerDepth: depth - 6,
      turnable: false,
    });
    const on = this.surfaces.push(at(host, this.x, FRONT)) - 1;
    const count = 2;
    const long = Math.floor((depth - 6 - (count - 1) * GAP) / count);
    for (let i = 0; i < count; i += 1)
      this.fill(
        {
          x: this.x + 3,
          y: FRONT + 3 + i * (long + GAP),
          z: 4,
          width: width - 6,
          depth: long,
          height: height - 10,
        },
        between(this.random, 1, 2),
        { on, role: 'insert' },
      );
    this.x += width + GAP;
  }

  boxes(): void {
    const width = between(this.random, 180, 300);
    this.fill(
      { x: this.x, y: FRONT, z: 0, width, depth: this.depth - FRONT, height: this.height - TOP },
      between(this.random, 1, 2),
    );
    this.x += width + GAP;
  }
}

const at = (container: Container, x: number, y: number) => ({
  containerId: container.id,
  x,
  y,
  z: 0,
  turned: false,
});

/**
 * A bay that is full on levels, built backwards: 4 to 10 groups, the way in which they stand, and beside what it takes
 * 25 other boxes and a few other surfaces on the list. Deterministic.
 */
export function plantFit(seed: number): { readonly request: FitRequest; readonly known: Known } {
  const random = createRandom(seed * 131 + 7);
  const planting = new Planting(
    random,
    between(random, 300, 420),
    between(random, 300, 420),
    seed % 2 === 0,
  );
  planting.riser();
  const columns = [
    () => planting.turntable(),
    () => planting.host(),
    () => planting.riser(),
    () => planting.boxes(),
  ];
  const count = between(random, 1, 3);
  for (let i = 0; i < count && planting.groups.length < 8; i += 1)
    columns[Math.floor(random() * columns.length)]?.();
  const width = planting.x - GAP + SIDE;
  const { containers, groups, placements, surfaces } = planting;
  const used = [...placements, ...surfaces].map(
    ({ containerId }) => containers.find(({ id }) => id === containerId)?.priceMinor ?? 0,
  );
  const known = { placements, surfaces, costMinor: used.reduce((a, b) => a + b, 0) };
  for (let i = 0; i < 25; i += 1)
    planting.list({
      outer: {
        width: between(random, 90, 320),
        depth: between(random, 100, planting.depth),
        height: between(random, 60, 260),
      },
      stackable: i % 3 === 0,
      maxStack: 3,
      line: `line ${i % LINES}`,
    });
  const [other] = containers.filter(({ role }) => role === 'riser');
  if (other)
    planting.list({
      ...other,
      id: 'other riser',
      name: 'other riser',
      outer: { ...other.outer, depth: Math.round(other.outer.depth * 0.7) },
    });
  return {
    request: fitRequestSchema.parse({
      bay: { id: 'bay', width, depth: planting.depth, height: planting.height },
      groups,
      containers,
      timeLimitMs: 2000,
    }),
    known,
  };
}
