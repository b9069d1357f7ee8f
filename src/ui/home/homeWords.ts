import { isValid, parseISO } from 'date-fns';

import {
  assertNever,
  formatCount,
  type LengthError,
  type MoneyError,
  formatDate,
} from '@/core/shared';
import { type DeedCode, type KeptDeed } from '@/core/home';

export function lengthErrorWords(error: LengthError): string {
  switch (error.code) {
    case 'length_empty':
      return 'Type a measure, such as 36.5 cm';
    case 'length_unreadable':
      return `“${error.found.trim()}” makes no sense here; write it like 36,5 cm, 14 3/8" or 1' 4"`;
    case 'length_comma_ambiguous':
      return 'Is the comma a thousand or a decimal? Write 1250 or 1.25';
    case 'length_out_of_range':
      return 'That is more than 100 m; check the unit';
    default:
      return assertNever(error);
  }
}
export function moneyErrorWords(error: MoneyError): string {
  switch (error.code) {
    case 'money_empty':
      return 'Type an amount, such as 140 or 9.80';
    case 'money_unreadable':
      return `“${error.found}” is not an amount; write it like 140 or 9.80`;
    case 'money_out_of_range':
      return 'That is more than ten million';
    default:
      return assertNever(error);
  }
}
/** What a deed does not say is nothing; one that counts says how many. */
const NO_FACTS = { name: '', place: '', draft: 'chosen', count: 1 };
type Facts = Readonly<typeof NO_FACTS>;
const words: Readonly<Record<DeedCode, (facts: Facts) => string>> = {
  agreed: ({ name }) => `agreed with ${name}`,
  approval_withdrawn: ({ name }) => `took the approval back for ${name}`,
  approved: ({ name }) => `client approved ${name}`,
  bought: ({ name }) => `bought ${name}`,
  before_missed: ({ name }) => `said what stands in for the “before” ${name}`,
  box_back: ({ name }) => `took the ${name} box back in`,
  box_carried: ({ name }) => `carried out the ${name} box`,
  box_corrected: ({ name }) => `corrected what went out with the ${name} box`,
  box_gone: ({ name }) => `the ${name} box left the home`,
  breaks_noted: () => 'noted where a routine breaks',
  brought_back: ({ name }) => `returned ${name}`,
  card_noted: ({ name }) => `noted a gift card of ${name}`,
  card_removed: () => 'removed a gift card',
  carried_unsorted: ({ name }) => `carried ${name || 'things'} out unsorted`,
  check_answered: ({ name }) => `answered “${name}”`,
  check_noted: ({ name }) => `noted “${name}”`,
  check_removed: ({ name }) => `removed “${name}”`,
  container_added: ({ name, count }) => `added ${count} × ${name}`,
  container_corrected: ({ name }) => `corrected the size of ${name}`,
  container_removed: ({ name }) => `removed ${name}`,
  container_tried: ({ name }) => `tried a container in ${name}`,
  debt_settled: ({ name }) => `settled ${name || 'what was carried out'}`,
  draft_chosen: ({ name }) => `chose ${name}`,
  draft_copied: ({ name }) => `copied into ${name}`,
  door_led: ({ name }) => `said where ${name} leads`,
  draft_named: ({ name }) => `named ${name}`,
  draft_removed: ({ name }) => `removed ${name}`,
  enough_changed: ({ name }) => `changed how many ${name} are enough`,
  enough_reset: ({ name }) => `put ${name} back to the usual figures`,
  fit_given_up: ({ name }) => `discarded the fit for ${name}`,
  fits_taken: ({ name, count }) =>
    `took ${count === 1 ? 'a fit' : formatCount(count, 'fit')} for ${name}`,
  fixture_added: ({ name }) => `added ${name}`,
  fixture_changed: ({ name }) => `changed ${name}`,
  fixture_removed: ({ name }) => `removed ${name}`,
  group_added: ({ name }) => `added the group ${name}`,
  group_changed: ({ name }) => `changed ${name}`,
  group_put: ({ name, place, draft }) => `put ${name} on ${place}${inDraft(draft)}`,
  group_put_back: ({ name, draft }) => `put ${name} back in the tray${inDraft(draft)}`,
  group_removed: ({ name }) => `removed the group ${name}`,
  groups_arranged: ({ draft, count }) =>
    `arranged ${formatCount(count, 'group')} again${inDraft(draft)}`,
  groups_read: () => 'added groups from a file',
  home_put_away: () => 'put the home away',
  home_taken_back: () => 'took the home back to the desk',
  hours_noted: () => 'noted the hours',
  household_changed: () => 'changed beds, guests and washday',
  materials_changed: ({ name }) => `changed the materials of ${name}`,
  method_kept: ({ name }) => `kept the method ${name}`,
  move_reopened: () => 'opened a move again',
  move_ticked: () => 'ticked a move',
  moves_listed: () => 'made the list of moves',
  need_added: ({ name }) => `put ${name} on the list`,
  need_removed: ({ name }) => `took ${name} off the list`,
  passage_added: ({ name }) => `added ${name}`,
  passage_changed: ({ name }) => `changed ${name}`,
  passage_removed: ({ name }) => `removed ${name}`,
  picture_added: ({ name }) => `added a picture, ${name}`,
  picture_removed: () => 'removed a picture',
  plan_item_moved: ({ name }) => `moved ${name}`,
  priority_changed: ({ name }) => `changed how much ${name} is wanted`,
  project_changed: () => 'changed what was agreed',
  purchase_removed: ({ name }) => `took back: bought ${name}`,
  purchases_read: ({ count }) => `read ${formatCount(count, 'line')} of receipts`,
  receipt_kept: ({ name }) => `kept a receipt of ${name}`,
  receipt_removed: ({ name }) => `removed a receipt of ${name}`,
  return_noted: ({ name }) => `noted the return of ${name}`,
  room_added: ({ name }) => `added the room ${name}`,
  room_changed: ({ name }) => `changed the room ${name}`,
  schools_chosen: ({ name, count }) =>
    `chose ${formatCount(count, 'way', 'ways')} of working${name === '' ? '' : ` for ${name}`}`,
  section_added: ({ name }) => `added the section ${name}`,
  section_changed: ({ name }) => `changed the section ${name}`,
  section_moved_down: ({ name }) => `moved the section ${name} down`,
  section_moved_up: ({ name }) => `moved the section ${name} up`,
  section_removed: ({ name }) => `removed the section ${name}`,
  sections_suggested: () => 'made a section a unit',
  session_ended: () => 'ended the session',
  session_on: () => 'went on with the session',
  session_paused: () => 'paused the session',
  session_started: () => 'started a session',
  shortage_lifted: ({ name, place }) => `noted that ${place} has ${name} again`,
  shortage_noted: ({ name, place }) => `noted that ${place} has no ${name}`,
  spot_added: ({ name }) => `added the spot ${name}`,
  spot_removed: ({ name }) => `removed the spot ${name}`,
  standing_noted: ({ name }) => `noted where ${name} stands`,
  steps_changed: () => 'changed the steps of the session',
  step_begun: ({ name }) => `went on to ${name || 'the next step'}`,
  substitute_taken: ({ name, place }) => `took ${name} instead for ${place}`,
  terms_changed: () => 'changed the terms',
  unit_added: ({ name }) => `added ${name}`,
  unit_changed: ({ name }) => `changed ${name}`,
  unit_removed: ({ name }) => `removed ${name}`,
  units_read: ({ count }) => `read ${formatCount(count, 'unit')} from a file`,
  waiting_taken_in: () => 'took in what was waiting',
  walls_measured: ({ name }) => `measured the walls of ${name}`,
  days_proposed: ({ count }) => `took ${formatCount(count, 'proposed visit')}`,
  visit_arrived: () => 'arrived',
  visit_break: () => 'noted a break',
  visit_changed: ({ name }) => `changed the visit of ${dayOrName(name)}`,
  visit_corrected: ({ name }) => `noted the visit of ${dayOrName(name)}`,
  visit_left: () => 'left',
  visit_packed: ({ name }) => `packed for ${dayOrName(name)}`,
  visit_planned: ({ name }) => `planned a visit on ${dayOrName(name)}`,
  air_noted: ({ name }) => `noted the air of the ${name.toLowerCase()}`,
  task_ticked: ({ name }) => `ticked a task of the ${name.toLowerCase()}`,
  task_timed: ({ name }) => `noted how long a task of the ${name.toLowerCase()} took`,
  unit_set_up: ({ name }) => `noted a unit of the ${name.toLowerCase()}`,
  liner_changed: ({ name }) => `noted a changed liner of the ${name.toLowerCase()}`,
  label_changed: ({ name }) => `changed the label ${name}`,
  labels_made: ({ count }) => `noted ${formatCount(count, 'label')} as made`,
  labels_waiting: ({ name }) => `set when the labels of the ${name.toLowerCase()} are made`,
  labels_sent: ({ count }) => `sent ${formatCount(count, 'label')} to the printer`,
  labels_taken_back: () => 'took labels back from the printer',
  label_stock: () => 'changed what labels are made on',
  mark_given: ({ name }) => `gave ${name} a mark`,
  destination_chosen: ({ name, place }) =>
    place === '' ? `let ${name} go to the nearest again` : `sent ${name} to ${place}`,
  wiping_noted: ({ name }) => `said of the data on ${name}`,
  leaving_changed: () => 'changed how things leave',
  leaving_planned: ({ count }) => `planned ${formatCount(count, 'box', 'boxes')} and their trips`,
  box_packed: ({ name }) => `packed box ${name}`,
  box_unpacked: ({ name }) => `opened box ${name} again`,
  box_to_trip: ({ name }) => `put box ${name} on another trip`,
  box_pinned: ({ name }) => `pinned or freed box ${name}`,
  box_left_out: ({ name }) => `left box ${name} out, or took it back`,
  trip_changed: () => 'changed a trip',
  trip_started: () => 'started a trip',
  answer_set_aside: ({ name }) => `set an answer of ${name} aside`,
  answer_taken: ({ name }) => `took an answer of ${name}`,
  closing_changed: () => 'changed the closing report',
  consent_noted: ({ name }) => `noted the consent of ${name}`,
  consent_withdrawn: ({ name }) => `noted that ${name} withdrew the consent`,
  client_page_changed: ({ name }) => `changed the page for ${name}`,
  client_page_made: ({ name }) => `made a page for ${name}`,
  client_page_revoked: ({ name }) => `revoked the page for ${name}`,
  look_made: ({ name }) => `looked at ${name} again`,
  look_moved: ({ name }) => `moved a look at ${name}`,
  look_noted: ({ name }) => `noted how ${name} was found`,
  finding_mended: ({ name }) => `decided to ${name}`,
  test_removed: ({ name }) => `removed the test of ${name}`,
  sharing_changed: () => 'changed what is shared with the client',
  handed_over: ({ name, place }) => `handed over ${name || 'what was there'} at ${place}`,
  handover_corrected: ({ place }) => `corrected what was handed over at ${place}`,
  handover_removed: ({ place }) => `took back what was handed over at ${place}`,
  pick_up_booked: ({ place }) => `booked a pick-up by ${place}`,
  pick_up_ended: ({ place }) => `the pick-up by ${place} came to an end`,
  sale_noted: ({ name }) => `noted the sale of ${name}`,
  sale_removed: ({ name }) => `no longer offers ${name}`,
  fetch_noted: ({ name }) => `noted what waits for ${name}`,
  jar_kept: ({ name }) => `kept the jar of ${name}`,
  jar_removed: ({ name }) => `removed the jar of ${name}`,
  routine_kept: ({ name }) => `kept the routine ${name}`,
  routine_removed: ({ name }) => `removed the routine ${name}`,
  routine_hung: ({ name }) => `hung up the routine ${name}`,
  routine_checked: ({ name }) => `looked at the routine ${name} again`,
  kit_kept: ({ name }) => `kept the kit ${name}`,
  kit_removed: ({ name }) => `removed the kit ${name}`,
  kit_packed: ({ name }) => `packed the kit ${name}`,
  visit_ticked: ({ name }) => `ticked what was finished on ${dayOrName(name)}`,
  visit_removed: ({ name }) => `removed the visit of ${dayOrName(name)}`,
  wishes_changed: ({ name }) => `changed what is wanted for ${name}`,
};
/** Where it was not in the plan, which needs no word. */
function inDraft(draft: string): string {
  if (draft === 'chosen') return '';
  return draft === 'today' ? ', as it is today' : ` in ${draft}`;
}
/** What a change did, as it stands after "Undo": "removed Tall cupboard". */
export function sayDeed(deed: KeptDeed): string {
  if (deed.code === 'told') return deed.words;
  const { code, ...facts } = deed;
  return words[code]({ ...NO_FACTS, ...facts } as Facts);
}

/** A calendar day as one says it: "5 Dec". */
export const dayWords = (day: string): string => formatDate(parseISO(day), 'd MMM');

/** A day in words; what is none, as it stands: histories of other versions are read, too. */
const dayOrName = (name: string): string => (isValid(parseISO(name)) ? dayWords(name) : name);
