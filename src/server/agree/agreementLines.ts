import 'server-only';

import type { AgreementLine } from '@/core/agree';
import { schoolQuestions } from '@/core/look';
import { formatCount, formatMoney } from '@/core/shared';
import type { ProjectRecords } from '@/data/projectRepo';
import { choiceWords, questionWords } from './agreementWords';
import { dayWords } from '../show/clientWords';

/** A heading of the sheet with its lines; the key of a line stays the same from sheet to sheet. */
export interface AgreementPart {
  readonly title: string;
  readonly lines: readonly AgreementLine[];
}

/** The agreement sheet in the client's words, from the records as they stand; empty lines are left out. */
export function agreementPartsOf(records: ProjectRecords): AgreementPart[] {
  const parts = [aimLines(records), scopeLines(records), moneyLines(records), wayLines(records)];
  return parts.map((part) => ({ ...part, lines: part.lines.filter(({ value }) => value !== '') })).filter(({ lines }) => lines.length > 0);
}

export const agreementLinesOf = (records: ProjectRecords): AgreementLine[] => agreementPartsOf(records).flatMap(({ lines }) => lines);

const line = (key: string, label: string, value: string): AgreementLine => ({ key, label, value });

function aimLines({ project, rooms }: ProjectRecords): AgreementPart {
  return {
    title: 'What it is for',
    lines: [
      line('goals', 'Goals', project.terms.goals),
      line('look', 'The look wanted', project.terms.wantedLook),
      line('ready', 'Ready by', project.readyBy === null ? '' : dayWords(project.readyBy)),
      ...rooms.flatMap((room) => [
        line(`purpose-${room.id}`, room.name, room.purpose),
        ...room.checks.map((check) => line(`check-${check.id}`, `${room.name}: possible again`, check.text)),
      ]),
    ],
  };
}

function scopeLines({ project, rooms, sections }: ProjectRecords): AgreementPart {
  const roomName = (id: string) => rooms.find((room) => room.id === id)?.name ?? '';
  const inScope = sections.filter((section) => section.inScope);
  return {
    title: 'What is done, in this order, and what is not',
    lines: [
      ...inScope.map((section, i) => line(`section-${section.id}`, `${i + 1}. ${roomName(section.roomId)}`, section.name)),
      ...sections.filter((section) => !section.inScope).map((section) => line(`section-${section.id}`, 'Not this time', `${roomName(section.roomId)}, ${section.name}`)),
      ...project.terms.neverLeaves.map((thing) => line(`never-${thing}`, 'Never leaves without asking', thing)),
    ],
  };
}

function moneyLines({ project, rooms }: ProjectRecords): AgreementPart {
  const { terms, currency } = project;
  return {
    title: 'Money and time',
    lines: [
      line('budget', 'For what is bought, at most', formatMoney(project.budgetMinor, currency)),
      ...rooms.filter((room) => room.budgetMinor > 0).map((room) => line(`budget-${room.id}`, `of which ${room.name}`, formatMoney(room.budgetMinor, currency))),
      line('reuse', 'Of the containers, from what is here', terms.reusePercent > 0 ? `at least ${terms.reusePercent} %` : ''),
      line('rate', 'Fee, apart from that', terms.hourlyRateMinor > 0 ? `${formatMoney(terms.hourlyRateMinor, currency)} an hour` : ''),
      line('visits', 'Visits', `${formatCount(terms.visitMinutes / 60, 'hour')} each, ${terms.visitsPerWeek} a week${terms.crewCount > 1 ? `, ${terms.crewCount} people` : ''}`),
    ],
  };
}

function wayLines({ project, rooms }: ProjectRecords): AgreementPart {
  const says = (choice: { readonly choice: string; readonly reason: string } | undefined) => (choice ? `${choiceWords(choice.choice)}${choice.reason ? `, because ${choice.reason}` : ''}` : '');
  return {
    title: 'How we work',
    lines: [
      ...schoolQuestions.map((question) => line(`school-${question}`, questionWords[question], says(project.terms.schools[question]))),
      ...rooms.flatMap((room) => schoolQuestions.map((question) => line(`school-${room.id}-${question}`, `${questionWords[question]}, ${room.name}`, says(room.schools[question])))),
    ],
  };
}
