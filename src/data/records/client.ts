import 'server-only';

import {
  closingSchema,
  clientAnswerSchema,
  clientOpeningSchema,
  clientPageSchema,
  outgoingMailSchema,
  sharingSchema,
} from '@/core/client';
import { flag, json, plain } from '../columns';
import { defineRecord } from './defineRecord';

/** A home's own, so the home's id is its key. */
export const sharingRecord = defineRecord({
  name: 'sharings',
  table: 'sharings',
  schema: sharingSchema,
  columns: { id: plain('id'), parts: json('parts_json') },
  parent: ['id', 'projects'],
});

/** What a question names may be gone since. */
const askedIds = (path: string) => ({
  [`${path}.roomId`]: 'rooms|?',
  [`${path}.needId`]: 'containers|handNeeds|?',
  [`${path}.pictureId`]: 'thingPictures|?',
});

export const clientPageRecord = defineRecord({
  name: 'clientPages',
  table: 'client_pages',
  schema: clientPageSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    way: plain('way'),
    name: plain('name'),
    mayAnswer: flag('may_answer'),
    parts: json('parts_json'),
    asked: json('asked_json'),
    secretHash: plain('secret_hash'),
    madeAt: plain('made_at'),
    endsAt: plain('ends_at'),
    revokedAt: plain('revoked_at'),
  },
  parent: ['projectId', 'projects'],
  ids: askedIds('asked.*'),
  order: ['-madeAt', 'id'],
});

export const clientOpeningRecord = defineRecord({
  name: 'clientOpenings',
  table: 'client_openings',
  schema: clientOpeningSchema,
  columns: {
    id: plain('id'),
    firstAt: plain('first_at'),
    lastAt: plain('last_at'),
    count: plain('count'),
  },
  parent: ['id', 'clientPages'],
});

export const clientAnswerRecord = defineRecord({
  name: 'clientAnswers',
  table: 'client_answers',
  schema: clientAnswerSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    pageId: plain('page_id'),
    asked: json('asked_json'),
    says: plain('says'),
    words: plain('words'),
    by: plain('by'),
    saidAt: plain('said_at'),
    arrivedAt: plain('arrived_at'),
    way: plain('way'),
    state: plain('state'),
    settledAt: plain('settled_at'),
    decisionId: plain('decision_id'),
  },
  parent: ['projectId', 'projects'],
  ids: { pageId: 'clientPages|?', ...askedIds('asked') },
  order: ['-saidAt', 'id'],
});

export const outgoingMailRecord = defineRecord({
  name: 'outgoingMails',
  table: 'outgoing_mails',
  schema: outgoingMailSchema,
  columns: {
    id: plain('id'),
    projectId: plain('project_id'),
    to: plain('to_address'),
    subject: plain('subject'),
    text: plain('text'),
    pageId: plain('page_id'),
    state: plain('state'),
    tries: plain('tries'),
    problem: plain('problem'),
    madeAt: plain('made_at'),
    triedAt: plain('tried_at'),
  },
  parent: ['projectId', 'projects'],
  ids: { pageId: 'clientPages|?' },
  order: ['-madeAt', 'id'],
});

/** A home's own, so the home's id is its key. */
export const closingRecord = defineRecord({
  name: 'closings',
  table: 'closings',
  schema: closingSchema,
  columns: {
    id: plain('id'),
    tone: plain('tone'),
    rooms: json('rooms_json'),
    opening: plain('opening'),
    consent: json('consent_json'),
  },
  parent: ['id', 'projects'],
  ids: {
    'rooms.*.roomId': 'rooms|?',
    'rooms.*.vantagePointIds.*': 'vantagePoints|?',
    'consent.pictureIds.*': 'pictures|?',
  },
});
