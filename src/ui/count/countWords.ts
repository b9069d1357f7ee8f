import { type HouseholdCounts } from '@/core/count';
import { formatCount } from '@/core/shared';
import { type RuleTyped } from './RuleForm';

/**
 * A rule as a sum that a person can follow: "2 for each of 3 people, 2 for each of 2 guest places:
 * one in use …".
 */
export function ruleWords(rule: RuleTyped, household: HouseholdCounts): string {
  const parts = [
    rule.perPerson > 0 && `${rule.perPerson} for each of ${household.people} people`,
    rule.perBed > 0 && `${rule.perBed} for each of ${formatCount(household.beds, 'bed')}`,
    rule.perGuestPlace > 0 &&
      `${rule.perGuestPlace} for each of ${formatCount(household.guestPlaces, 'guest place')}`,
    rule.perDay > 0 && `${rule.perDay} a day for ${household.washEveryDays} days`,
    rule.perPersonDay > 0 &&
      `${rule.perPersonDay} a person and day for ${household.washEveryDays} days`,
    rule.perHome > 0 && `${rule.perHome} for the home`,
  ].filter((part) => part !== false);
  const sum = parts.length === 0 ? 'none' : parts.join(', ');
  return rule.because === '' ? sum : `${sum}: ${rule.because}`;
}
