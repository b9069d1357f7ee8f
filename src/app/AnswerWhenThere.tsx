import { Suspense, type ReactNode } from 'react';

import type { Answered } from '@/server/engines/answerOrKnown';

interface AnswerWhenThereProps<A> {
  readonly answered: Answered<A>;
  /** Lays an answer out; `knownAt` says when an older one was worked out. */
  readonly show: (answer: A, knownAt: string | undefined) => ReactNode;
}

/**
 * Shows the answer; while it is worked out, the last one known with its date, or that it is being
 * worked out. The boundary is there in every case: without it a page that is shown anew would be built
 * anew, and what was typed into it lost.
 */
export function AnswerWhenThere<A>({ answered, show }: AnswerWhenThereProps<A>) {
  if (answered.state === 'fresh')
    return <Suspense fallback={<WorkedOut />}>{show(answered.answer, undefined)}</Suspense>;
  const { known, coming } = answered;
  return (
    <Suspense fallback={known ? show(known.answer, known.answeredAt) : <WorkedOut />}>
      <Coming coming={coming} show={show} />
    </Suspense>
  );
}

async function Coming<A>({
  coming,
  show,
}: {
  readonly coming: Promise<A>;
  readonly show: AnswerWhenThereProps<A>['show'];
}) {
  return show(await coming, undefined);
}

const WorkedOut = () => (
  <main className="p-6">
    <p role="status" className="panel border-t-4 border-t-rim p-6 text-[17px]">
      This is being worked out …
    </p>
  </main>
);
