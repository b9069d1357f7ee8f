/** Measures what learning from finished rooms is worth, on firms that differ from what is assumed. */
import { createRandom, errorOf, learnFactor, type Outcome, type Random } from '@/core/shared';
import { ROOM_PRIOR } from '@/core/agree';
import { between, median, timesOf, type Row } from './benchRow';

const FIRMS = 400;
const HELD_OUT = 20;

const normalOf = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** The plain way: the mean of the ratios, nothing assumed; without a case the assumption. */
const plainFactor = (outcomes: readonly Outcome[]): number =>
  outcomes.length === 0
    ? 1
    : outcomes.reduce((sum, { estimated, actual }) => sum + actual / estimated, 0) /
      outcomes.length;

/**
 * Firms whose pace lies about what is assumed by `paceSpread` (in logs), whose rooms lie about their pace by
 * `roomSpread`: how far off the next rooms are by the assumption, by the plain way and by what was learnt, and
 * how many of them lie in the range that was said.
 */
function benchFirms(
  roomCount: number,
  { paceSpread, roomSpread }: { readonly paceSpread: number; readonly roomSpread: number },
): Row {
  const random = createRandom(17 + roomCount);
  const [assumed, plain, learnt, times]: [number[], number[], number[], number[]] = [
    [],
    [],
    [],
    [],
  ];
  let inside = 0;
  for (let firm = 0; firm < FIRMS; firm += 1) {
    const pace = Math.exp(paceSpread * normalOf(random));
    const room = (): Outcome => {
      const estimated = between(random, 40, 700);
      return { estimated, actual: estimated * pace * Math.exp(roomSpread * normalOf(random)) };
    };
    const known = Array.from({ length: roomCount }, room);
    const heldOut = Array.from({ length: HELD_OUT }, room);
    const from = performance.now();
    const learned = learnFactor(known, ROOM_PRIOR);
    times.push(performance.now() - from);
    assumed.push(errorOf(heldOut));
    plain.push(errorOf(heldOut, plainFactor(known)));
    learnt.push(errorOf(heldOut, learned.factor));
    inside += heldOut.filter(
      ({ estimated, actual }) =>
        estimated * learned.low <= actual && actual <= estimated * learned.high,
    ).length;
  }
  const off = (errors: readonly number[]) => `${(100 * median(errors)).toFixed(0)} %`;
  return {
    ...timesOf(
      `learn, ${roomCount} rooms, pace ± ${Math.round(100 * (Math.exp(paceSpread) - 1))} %`,
      times,
    ),
    note:
      `held-out error, median of ${FIRMS} firms: assumed ${off(assumed)}, plain mean ${off(plain)}, ` +
      `learnt ${off(learnt)}; in the range said ${((100 * inside) / (FIRMS * HELD_OUT)).toFixed(0)} %`,
  };
}

/** Few rooms and firms much like the assumption first: there a plain mean does harm. */
export const benchLearn = (): Row[] =>
  [1, 3, 10, 30].flatMap((roomCount) => [
    benchFirms(roomCount, { paceSpread: 0.1, roomSpread: 0.35 }),
    benchFirms(roomCount, { paceSpread: 0.4, roomSpread: 0.35 }),
  ]);
