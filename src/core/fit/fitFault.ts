/** A rule that an answer breaks, and between whom. */
export interface FitFault {
  readonly rule:
    | 'unknown_container'
    | 'unknown_group'
    | 'outside_bay'
    | 'gap'
    | 'support'
    | 'stack_height'
    | 'stack_load'
    | 'opening'
    | 'wish'
    | 'moist'
    | 'content_load'
    | 'bay_load'
    | 'available'
    | 'front_blocked'
    | 'blocked_mass'
    | 'litres'
    | 'totals'
    | 'unknown_surface'
    | 'surface'
    | 'surface_load'
    | 'turns'
    | 'pull_out'
    | 'hung'
    | 'insert'
    | 'kind'
    | 'person'
    | 'crushed'
    | 'above_eyes'
    | 'beside_opening';
  readonly subject: string;
}
