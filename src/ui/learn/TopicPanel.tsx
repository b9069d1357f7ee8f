'use client';

import type { ReactNode } from 'react';

import type { LearnTopic } from '@/core/learn';
import type { ActionResult } from '../actionResult';
import { dayWords } from '../home/homeWords';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { topicWords, useWords } from './learnWords';

interface TopicPanelProps {
  readonly topic: LearnTopic;
  /** Until which day what was found is left aside; undefined: all of it counts. */
  readonly leftAsideTo: string | undefined;
  readonly onStartOver: (topic: LearnTopic) => Promise<ActionResult>;
  readonly onCountAll: (topic: LearnTopic) => Promise<ActionResult>;
  readonly children: ReactNode;
}

/** One thing that is learnt: what it is by now, where it is used, and starting over with it. */
export function TopicPanel({
  topic,
  leftAsideTo,
  onStartOver,
  onCountAll,
  children,
}: TopicPanelProps) {
  const { mutate, isPending } = useMutation();
  const name = topicWords[topic];
  return (
    <section aria-label={name} className="panel flex flex-col border-t-4 border-t-rim p-4">
      <h2 className="text-[18px]">{name}</h2>
      <div className="mt-1 flex-1 text-[14.5px]">{children}</div>
      <p className="mt-3 text-[13.5px] text-soft">{useWords[topic]}</p>
      <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line pt-2 text-[13.5px]">
        {leftAsideTo === undefined ? (
          <Button disabled={isPending} onClick={() => void mutate(() => onStartOver(topic))}>
            Start over<span className="sr-only"> with {name.toLowerCase()}</span>
          </Button>
        ) : (
          <>
            <span>
              What was found up to {dayWords(leftAsideTo)} is left aside. It is kept, and can count
              again.
            </span>
            <Button disabled={isPending} onClick={() => void mutate(() => onCountAll(topic))}>
              Count all of it again<span className="sr-only">: {name.toLowerCase()}</span>
            </Button>
          </>
        )}
      </div>
    </section>
  );
}
