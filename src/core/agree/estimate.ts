import type { ContentKind, Section, Terms } from './model';
import type { SchoolChoices } from '../look';
import { learnFactor, type Learned, type Prior } from '../shared';

/**
 * Minutes to decide on a litre of what lies there. Stated assumptions; the organizer's own rooms
 * correct them.
 */
const MINUTES_PER_LITRE: Readonly<Record<ContentKind, number>> = {
  linen: 0.18,
  clothes: 0.25,
  kitchen: 0.35,
  tools: 0.45,
  toys: 0.4,
  books: 0.4,
  papers: 1.2,
  keepsakes: 1,
  mixed: 0.4,
};
/** Time by method, against emptying it all. */
const METHOD_FACTOR = { 'quick-pass': 0.55, 'empty-all': 1, 'by-category': 1.15 } as const;
/** Cleaning, placing, loading and labelling, on top of deciding. */
const AFTER_SORTING_SHARE = 0.45;
/** Of a section's time, what comes after the last decision. */
export const SET_UP_SHARE = AFTER_SORTING_SHARE / (1 + AFTER_SORTING_SHARE);
/** A second pair of hands does this share of the first one's work: the client decides one thing at a time. */
const HELPER_SHARE = 0.6;
/** What so many people get done, against one. */
export const handsShareOf = (people: number): number =>
  people < 1 ? 1 : 1 + HELPER_SHARE * (people - 1);
/** Emptying a section and setting up, however little is in it. */
const START_MINUTES = 15;
/**
 * Without rooms of one's own to go by four fifths of rooms end in this range; the assumptions count as two rooms
 * against those that are finished.
 */
export const ROOM_PRIOR: Prior = { cases: 2, low: 0.7, high: 1.5 };

/** A range of minutes: half of the cases are done by `likely`, four fifths by `high`. */
interface MinutesRange {
  readonly lowMinutes: number;
  readonly likelyMinutes: number;
  readonly highMinutes: number;
}

/** How a section's time comes about, step by step. */
export interface SectionEstimate extends MinutesRange {
  readonly section: Section;
  readonly litres: number;
  readonly fullLitres: number;
  readonly minutesPerLitre: number;
  readonly methodFactor: number;
  /** What the assumptions are multiplied by here. */
  readonly learned: Learned;
  readonly isOneVisit: boolean;
  readonly isDone: boolean;
}

/** What hours are corrected by: of all rooms, and of what lies in them where there are such rooms. */
export interface HoursLearned {
  readonly all: Learned;
  readonly byContent: Readonly<Partial<Record<ContentKind, Learned>>>;
}
/** The assumptions as they are, corrected by no room. */
export const UNCALIBRATED_HOURS: HoursLearned = { all: learnFactor([], ROOM_PRIOR), byContent: {} };

export interface SectionFacts {
  readonly section: Section;
  /** Usable litres of its bays. */
  readonly litres: number;
  /** The way of going through this room. */
  readonly method: NonNullable<SchoolChoices['method']>['choice'] | undefined;
  /** Its room is finished. */
  readonly isDone: boolean;
}

/** Estimates one section. Monotone: more litres, fuller or slower kinds never take less. */
export function estimateSection(
  { section, litres, method, isDone }: SectionFacts,
  terms: Pick<Terms, 'crewCount' | 'visitMinutes'>,
  hours: HoursLearned,
): SectionEstimate {
  const fullLitres = (litres * section.fullPercent) / 100;
  const minutesPerLitre = MINUTES_PER_LITRE[section.content];
  const methodFactor = METHOD_FACTOR[method ?? 'empty-all'];
  const handsShare = handsShareOf(terms.crewCount);
  const workMinutes = fullLitres * minutesPerLitre * methodFactor * (1 + AFTER_SORTING_SHARE);
  const assumedMinutes = (START_MINUTES + workMinutes) / handsShare;
  const learned = hours.byContent[section.content] ?? hours.all;
  const likelyMinutes = assumedMinutes * learned.factor;
  return {
    section,
    litres,
    fullLitres,
    minutesPerLitre,
    methodFactor,
    learned,
    lowMinutes: assumedMinutes * learned.low,
    likelyMinutes,
    highMinutes: assumedMinutes * learned.high,
    isOneVisit: likelyMinutes <= terms.visitMinutes,
    isDone,
  };
}

export interface ProjectEstimate extends MinutesRange {
  readonly sections: readonly SectionEstimate[];
  readonly visits: { readonly low: number; readonly likely: number; readonly high: number };
  /** Visits that four fifths of cases still need, for what is not done. */
  readonly visitsLeft: number;
  readonly feeMinor: { readonly low: number; readonly likely: number; readonly high: number };
  readonly hours: HoursLearned;
}

/** Adds up the sections in scope. Every visit that is begun counts; the fee is by the hour that is worked. */
export function estimateProject(
  facts: readonly SectionFacts[],
  terms: Terms,
  hours: HoursLearned = UNCALIBRATED_HOURS,
): ProjectEstimate {
  const sections = facts.map((each) => estimateSection(each, terms, hours));
  const inScope = sections.filter(({ section }) => section.inScope);
  const sum = (of: (each: MinutesRange) => number) =>
    inScope.reduce((total, each) => total + of(each), 0);
  const minutes = {
    lowMinutes: sum((each) => each.lowMinutes),
    likelyMinutes: sum((each) => each.likelyMinutes),
    highMinutes: sum((each) => each.highMinutes),
  };
  const visitsIn = (total: number) => Math.max(0, Math.ceil(total / terms.visitMinutes - 1e-9));
  // To whole pounds or euros: pennies would feign a precision that no estimate has.
  const feeOf = (total: number) => Math.round(((total / 60) * terms.hourlyRateMinor) / 100) * 100;
  return {
    ...minutes,
    sections,
    hours,
    visits: {
      low: visitsIn(minutes.lowMinutes),
      likely: visitsIn(minutes.likelyMinutes),
      high: visitsIn(minutes.highMinutes),
    },
    visitsLeft: visitsIn(
      inScope.filter((each) => !each.isDone).reduce((total, each) => total + each.highMinutes, 0),
    ),
    feeMinor: {
      low: feeOf(minutes.lowMinutes),
      likely: feeOf(minutes.likelyMinutes),
      high: feeOf(minutes.highMinutes),
    },
  };
}

const MS_PER_DAY = 86_400_000;
const DAYS_PER_WEEK = 7;

/** Backward from the day it has to be ready. */
export interface BackwardPlan {
  /** The latest day of the first visit that still leaves room for four fifths of cases. */
  readonly latestStart: string;
  readonly daysLeft: number;
  readonly doesFit: boolean;
}

/**
 * Counts back from `readyBy` (a day, `2026-12-12`): one visit every 7 / visitsPerWeek days, the
 * last one on or before it.
 */
export function planBackward(request: {
  readonly readyBy: string;
  readonly today: string;
  readonly visits: number;
  readonly visitsPerWeek: number;
}): BackwardPlan {
  const between = Math.max(0, request.visits - 1) * (DAYS_PER_WEEK / request.visitsPerWeek);
  const latest = Date.parse(request.readyBy) - Math.ceil(between) * MS_PER_DAY;
  const daysLeft = Math.round((latest - Date.parse(request.today)) / MS_PER_DAY);
  return {
    latestStart: new Date(latest).toISOString().slice(0, 10),
    daysLeft,
    doesFit: daysLeft >= 0,
  };
}
