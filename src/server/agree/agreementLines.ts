import 'server-only';

import type { AgreementLine, Section } from '@/core/agree';
import { schoolQuestions } from '@/core/look';
import { formatCount, formatMoney } from '@/core/shared';
import type { Records } from '@/data/records';
import { choiceWords, questionWords } from './agreementWords';
import { dayWords } from '../show/clientWords';

/** A heading of the sheet with its lines; the key of a line stays the same from sheet to sheet. */
export interface AgreementPart {
  readonly title: string;
  readonly lines: readonly AgreementLine[];
}

/** The agreement sheet in the client's words, from the records as they stand; empty lines are left out. */
export function agreementPartsOf(
  records: Records<'project' | 'rooms' | 'sections'>,
): AgreementPart[] {
  const parts = [aimLines(records), scopeLines(records), moneyLines(records), wayLines(records)];
  return parts
    .map((part) => ({ ...part, lines: part.lines.filter(({ value }) => value !== '') }))
    .filter(({ lines }) => lines.length > 0);
}

export const agreementLinesOf = (
  records: Records<'project' | 'rooms' | 'sections'>,
): AgreementLine[] => agreementPartsOf(records).flatMap(({ lines }) => lines);

const line = (key: string, label: string, value: string): AgreementLine => ({ key, label, value });

function aimLines({ project, rooms }: Records<'project' | 'rooms'>): AgreementPart {
  return {
    title: 'What it is for',
    lines: [
      line('goals', 'Goals', project.terms.goals),
      line('look', 'The look wanted', project.terms.wantedLook),
      line('ready', 'Ready by', project.readyBy === null ? '' : dayWords(project.readyBy)),
      ...rooms.flatMap((room) => [
        line(`purpose-${room.id}`, room.name, room.purpose),
        line(`checks-${room.id}`, 'possible again', room.checks.map(({ text }) => text).join('; ')),
      ]),
    ],
  };
}

function scopeLines({
  project,
  rooms,
  sections,
}: Records<'project' | 'rooms' | 'sections'>): AgreementPart {
  const roomName = (id: string) => rooms.find((room) => room.id === id)?.name ?? '';
  return {
    title: 'What is done, in this order, and what is not',
    lines: [
      ...runsOf(sections.filter((section) => section.inScope)).map((run, i) =>
        line(
          `sections-${i}-${run[0]?.roomId}`,
          `${i + 1}. ${roomName(run[0]?.roomId ?? '')}`,
          run.map(({ name }) => name).join('; '),
        ),
      ),
      line(
        'not-now',
        'Not this time',
        sections
          .filter((section) => !section.inScope)
          .map((section) => `${section.name} (${roomName(section.roomId)})`)
          .join('; '),
      ),
      line('never', 'Never leaves without asking', project.terms.neverLeaves.join('; ')),
    ],
  };
}

/** Sections that follow each other in one room are one stretch of work. */
function runsOf(sections: readonly Section[]): Section[][] {
  const runs: Section[][] = [];
  for (const section of sections) {
    const last = runs.at(-1);
    if (last?.[0]?.roomId === section.roomId) last.push(section);
    else runs.push([section]);
  }
  return runs;
}

function moneyLines({ project, rooms }: Records<'project' | 'rooms'>): AgreementPart {
  const { terms, currency } = project;
  return {
    title: 'Money and time',
    lines: [
      line('budget', 'For what is bought, at most', formatMoney(project.budgetMinor, currency)),
      line(
        'budgets',
        'of which',
        rooms
          .filter((room) => room.budgetMinor > 0)
          .map((room) => `${room.name} ${formatMoney(room.budgetMinor, currency)}`)
          .join('; '),
      ),
      line(
        'reuse',
        'Of the containers, from what is here',
        terms.reusePercent > 0 ? `at least ${terms.reusePercent} %` : '',
      ),
      line(
        'rate',
        'Fee, apart from that',
        terms.hourlyRateMinor > 0 ? `${formatMoney(terms.hourlyRateMinor, currency)} an hour` : '',
      ),
      line(
        'visits',
        'Visits',
        `${formatCount(terms.visitMinutes / 60, 'hour')} each, ${terms.visitsPerWeek} a week` +
          `${terms.crewCount > 1 ? `, ${terms.crewCount} people` : ''}`,
      ),
    ],
  };
}

function wayLines({ project, rooms }: Records<'project' | 'rooms'>): AgreementPart {
  const says = (choice: { readonly choice: string; readonly reason: string } | undefined) =>
    choice
      ? `${choiceWords(choice.choice)}${choice.reason ? `, because ${choice.reason}` : ''}`
      : '';
  return {
    title: 'How we work',
    lines: [
      ...schoolQuestions.map((question) =>
        line(`school-${question}`, questionWords[question], says(project.terms.schools[question])),
      ),
      ...rooms.flatMap((room) =>
        schoolQuestions.map((question) =>
          line(
            `school-${room.id}-${question}`,
            `${questionWords[question]}, ${room.name}`,
            says(room.schools[question]),
          ),
        ),
      ),
    ],
  };
}
