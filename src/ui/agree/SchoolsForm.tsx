'use client';

import { useState } from 'react';

import { schoolQuestions, schools, type SchoolChoices, type SchoolQuestion } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { schoolChoiceWords, schoolQuestionWords } from './agreeWords';
import { choiceLook } from '../primitives/choiceLook';
import { useMutation } from '../useMutation';

interface SchoolsFormProps {
  readonly project: SchoolChoices;
  /** Where a room departs from it; undefined for the home itself. */
  readonly room: SchoolChoices | undefined;
  readonly onChoose: (choices: SchoolChoices) => Promise<ActionResult>;
}

/**
 * Where practitioners disagree: what holds for the home, or where a room departs from it, each
 * with its reason.
 */
export function SchoolsForm({ project, room, onChoose }: SchoolsFormProps) {
  const { mutate } = useMutation();
  const own = room ?? project;
  const choose = (
    question: SchoolQuestion,
    next: { readonly choice: string; readonly reason: string } | undefined,
  ) => {
    void mutate(() => onChoose({ ...own, [question]: next }));
  };
  return (
    <section aria-label="Ways of working" className="panel content-start p-4">
      <h2 className="mb-2 text-[18px]">
        {room ? 'Exceptions to the ways of working' : 'Ways of working'}
      </h2>
      <ul className="grid gap-2">
        {schoolQuestions.map((question) => (
          <li key={question}>
            <School
              question={question}
              chosen={own[question]}
              inherited={room ? project[question]?.choice : undefined}
              onChoose={(next) => choose(question, next)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

interface SchoolProps {
  readonly question: SchoolQuestion;
  readonly chosen: { readonly choice: string; readonly reason: string } | undefined;
  readonly inherited: string | undefined;
  readonly onChoose: (
    next: { readonly choice: string; readonly reason: string } | undefined,
  ) => void;
}

function School({ question, chosen, inherited, onChoose }: SchoolProps) {
  const [reason, setReason] = useState(chosen?.reason ?? '');
  return (
    <fieldset>
      <legend className="caption">
        {schoolQuestionWords[question]}
        {inherited !== undefined && !chosen && (
          <span className="font-normal"> · as the home: {schoolChoiceWords[inherited]}</span>
        )}
      </legend>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {schools[question].map((choice) => (
          <button
            key={choice}
            type="button"
            aria-pressed={chosen?.choice === choice}
            onClick={() => onChoose(chosen?.choice === choice ? undefined : { choice, reason })}
            className={choiceLook(chosen?.choice === choice)}
          >
            {schoolChoiceWords[choice]}
          </button>
        ))}
        {chosen && (
          <input
            className="input min-h-9 min-w-[140px] flex-1 py-1 text-[13.5px]"
            aria-label={`Why, ${schoolQuestionWords[question]}`}
            placeholder="because …"
            maxLength={200}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            onBlur={() => reason !== chosen.reason && onChoose({ ...chosen, reason })}
          />
        )}
      </div>
    </fieldset>
  );
}
