/** Measures how often the engine `things` is right about what people call out, by field, and how fast. */
import { thingsRequestSchema, type ThingFound } from '@/core/things';
import { readThings } from '@/core/things/readThings';
import { phrases, type Phrase } from '@test/phrases';
import { timesOf, type Row } from './benchRow';

const LINES = 1000;
const RUNS = 15;

const isNear = (a: number, b: number): boolean => Math.max(a / b, b / a) <= 2;
const holds = ({ low, high }: ThingFound['litres'], truth: number): boolean =>
  low <= truth * 1.000001 && truth <= high * 1.000001;

/** What a right answer is, field by field. */
const FIELDS: readonly (readonly [string, (answer: ThingFound, truth: Phrase) => boolean])[] = [
  ['count', (answer, truth) => answer.count === truth.count],
  ['litres within twice', (answer, truth) => isNear(answer.litres.value, truth.litres)],
  ['grams within twice', (answer, truth) => isNear(answer.massG.value, truth.massG)],
  ['litres in their range', (answer, truth) => holds(answer.litres, truth.litres)],
  ['grams in their range', (answer, truth) => holds(answer.massG, truth.massG)],
  [
    'all dangers',
    (answer, truth) => truth.cautions.every((code) => answer.cautions.some((c) => c === code)),
  ],
  ['no idle danger', (answer, truth) => answer.cautions.every((c) => truth.cautions.includes(c))],
  ['first way out', (answer, truth) => answer.goesTo[0] === truth.way],
  ['kind known', (answer) => answer.kindId !== null],
];

export function benchThings(): Row[] {
  const lines = Array.from({ length: LINES }, (_, i) => ({
    id: String(i),
    text: phrases[i % phrases.length]?.text ?? '',
  }));
  const request = thingsRequestSchema.parse({ lines });
  const clock = () => performance.now();
  const first = readThings(request, clock);
  const times = Array.from({ length: RUNS }, () => readThings(request, clock).elapsedMs);
  const notes = FIELDS.map(([name, isRight]) => {
    const right = phrases.filter((truth, i) => {
      const answer = first.things[i];
      return answer !== undefined && isRight(answer, truth);
    }).length;
    return `${name} ${((100 * right) / phrases.length).toFixed(1)} %`;
  });
  return [
    {
      ...timesOf(`things, ${LINES} lines after the first`, times),
      note: `of ${phrases.length} phrases right: ${notes.join(', ')}`,
    },
    { ...timesOf('things, the first request', [first.elapsedMs]), note: 'with its index' },
  ];
}
