/** Minutes as people say a length of work: quarters of an hour below three, half hours below ten, whole ones above. */
export function hoursWords(minutes: number): string {
  const hours = minutes / 60;
  const step = hours < 3 ? 4 : hours < 10 ? 2 : 1;
  const rounded = Math.round(hours * step) / step;
  return `${rounded === 0 && minutes > 0 ? 0.25 : rounded} h`;
}
