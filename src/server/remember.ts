import 'server-only';

/**
 * Remembers the answers to the last questions by their text, so that a page that is loaded again does
 * not work the same thing out again. Only for what depends on nothing but the question.
 */
export class Memory<A> {
  private readonly answers = new Map<string, A>();

  constructor(private readonly most: number) {}

  recall(question: unknown, work: () => A): A {
    const key = JSON.stringify(question);
    const known = this.answers.get(key);
    if (known !== undefined) return known;
    const answer = work();
    this.answers.set(key, answer);
    const oldest = this.answers.keys().next();
    if (this.answers.size > this.most && !oldest.done) this.answers.delete(oldest.value);
    return answer;
  }
}
