import type { AgreementLine } from './model';

/** How a line of the agreement differs from what was agreed before. */
export type AgreementChange =
  | { readonly kind: 'added'; readonly label: string; readonly after: string }
  | { readonly kind: 'removed'; readonly label: string; readonly before: string }
  | {
      readonly kind: 'changed';
      readonly label: string;
      readonly before: string;
      readonly after: string;
    };

/**
 * What changed between two sheets, by the key of each line, in the order of the later one; removed
 * lines last.
 */
export function compareAgreements(
  before: readonly AgreementLine[],
  after: readonly AgreementLine[],
): AgreementChange[] {
  const changed = after.flatMap((line): AgreementChange[] => {
    const old = before.find(({ key }) => key === line.key);
    if (!old) return [{ kind: 'added', label: line.label, after: line.value }];
    return old.value === line.value
      ? []
      : [{ kind: 'changed', label: line.label, before: old.value, after: line.value }];
  });
  const removed = before
    .filter(({ key }) => after.every((line) => line.key !== key))
    .map(({ label, value }): AgreementChange => ({ kind: 'removed', label, before: value }));
  return [...changed, ...removed];
}
