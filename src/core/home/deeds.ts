import { z } from 'zod';

/** What a change did, as undo and histories name it; `ui/home/deedWords` has the words. */
export const deedCodes = [
  'agreed',
  'approval_withdrawn',
  'approved',
  'bought',
  'before_missed',
  'box_back',
  'box_carried',
  'box_corrected',
  'box_gone',
  'breaks_noted',
  'brought_back',
  'card_noted',
  'card_removed',
  'carried_unsorted',
  'check_answered',
  'check_noted',
  'check_removed',
  'container_added',
  'container_corrected',
  'container_removed',
  'container_tried',
  'debt_settled',
  'door_led',
  'draft_chosen',
  'draft_copied',
  'draft_named',
  'draft_removed',
  'enough_changed',
  'enough_reset',
  'fit_given_up',
  'fits_taken',
  'fixture_added',
  'fixture_changed',
  'fixture_removed',
  'group_added',
  'group_changed',
  'group_put',
  'group_put_back',
  'group_removed',
  'groups_arranged',
  'groups_read',
  'home_put_away',
  'home_taken_back',
  'hours_noted',
  'household_changed',
  'materials_changed',
  'method_kept',
  'move_reopened',
  'move_ticked',
  'moves_listed',
  'need_added',
  'need_removed',
  'passage_added',
  'passage_changed',
  'passage_removed',
  'picture_added',
  'picture_removed',
  'plan_item_moved',
  'priority_changed',
  'project_changed',
  'purchase_removed',
  'purchases_read',
  'receipt_kept',
  'receipt_removed',
  'return_noted',
  'room_added',
  'room_changed',
  'schools_chosen',
  'section_added',
  'section_changed',
  'section_moved_down',
  'section_moved_up',
  'section_removed',
  'sections_suggested',
  'session_ended',
  'session_on',
  'session_paused',
  'session_started',
  'shortage_lifted',
  'shortage_noted',
  'spot_added',
  'spot_removed',
  'standing_noted',
  'step_begun',
  'steps_changed',
  'substitute_taken',
  'terms_changed',
  'unit_added',
  'unit_changed',
  'unit_removed',
  'units_read',
  'waiting_taken_in',
  'walls_measured',
  'wishes_changed',
] as const;
export type DeedCode = (typeof deedCodes)[number];

const deedSchema = z.object({
  code: z.enum(deedCodes),
  /** Of what it was done to, as the person named it then. */
  name: z.string().optional(),
  /** Where it went. */
  place: z.string().optional(),
  /** In which arrangement: `today`, `chosen`, or a draft's name. */
  draft: z.string().optional(),
  count: z.number().optional(),
});
export type Deed = z.infer<typeof deedSchema>;

/** A deed, or the words of a version that kept those instead. */
export type KeptDeed = Deed | { readonly code: 'told'; readonly words: string };

/** Reads what was kept of a change: JSON, or a sentence of an older version. */
export function parseDeed(kept: string): KeptDeed {
  if (!kept.startsWith('{')) return { code: 'told', words: kept };
  const deed = deedSchema.safeParse(JSON.parse(kept));
  return deed.success ? deed.data : { code: 'told', words: kept };
}
export const writeDeed = (deed: Deed): string => JSON.stringify(deedSchema.parse(deed));
