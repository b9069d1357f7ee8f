/**
 * What a simulated beam reads of a true distance, as a real one would: a little noise, now and then
 * held askew.
 */
interface Beam {
  readonly read: (trueMm: number) => number;
}

/** Spread of a good reading, in mm (one standard deviation). */
const NOISE_MM = 0.6;
/** One reading in so many is taken at a slant, which reads too much: distance / cos(angle). */
const SLANTED_ONE_IN = 15;
const SLANT_DEGREES = { least: 6, most: 14 } as const;

/** Makes a beam from a source of chance in [0, 1). Readings are rounded to 0.1 mm, never below 0. */
export function createBeam(random: () => number): Beam {
  return {
    read: (trueMm) => {
      const isSlanted = random() * SLANTED_ONE_IN < 1;
      const degrees = isSlanted
        ? SLANT_DEGREES.least + random() * (SLANT_DEGREES.most - SLANT_DEGREES.least)
        : 0;
      // Box and Muller: two even chances make one normal deviation.
      const normal = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
      return Math.max(
        0,
        Math.round((trueMm / Math.cos((degrees * Math.PI) / 180) + normal * NOISE_MM) * 10) / 10,
      );
    },
  };
}
