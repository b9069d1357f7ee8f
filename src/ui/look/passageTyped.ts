import type { LeadsTo, Passage } from '@/core/look';
import type { PassageTyped } from './passageForm';

export function toTypedLeadsTo(leadsTo: LeadsTo | null): string {
  if (leadsTo?.to === 'room') return `room:${leadsTo.roomId}`;
  if (leadsTo?.to === 'passage') return `passage:${leadsTo.passageId}`;
  return leadsTo ? 'outside' : '';
}

export const emptyPassage = (kind: PassageTyped['kind']): PassageTyped => ({
  id: '',
  kind,
  name: '',
  length: '',
  steps: '',
  roomIds: [],
  passageIds: [],
});

export const toTypedPassage = (passage: Passage): PassageTyped => ({
  id: passage.id,
  kind: passage.kind,
  name: passage.name,
  length: passage.length?.text ?? '',
  steps: passage.steps === null ? '' : String(passage.steps),
  roomIds: passage.roomIds,
  passageIds: passage.passageIds,
});
