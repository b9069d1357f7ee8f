import { Memory } from './remember';

test('the same question is worked out once, and asked otherwise again', () => {
  const memory = new Memory<number>(3);
  const work = jest.fn(() => 7);
  for (const question of [{ a: 1 }, { a: 1 }, { a: 2 }])
    expect(memory.recall(question, work)).toBe(7);
  expect(work).toHaveBeenCalledTimes(2);
});

test('only the latest questions are kept', () => {
  const memory = new Memory<string>(2);
  const asked: string[] = [];
  const ask = (question: string) =>
    memory.recall(question, () => {
      asked.push(question);
      return question;
    });
  for (const question of ['a', 'b', 'c', 'c', 'a', 'b']) expect(ask(question)).toBe(question);
  expect(asked).toEqual(['a', 'b', 'c', 'a', 'b']);
});
