import type { Conflict } from '@/core/sort';
import { verdictPast } from './sortWords';

/** Where two devices said different things of one: both are in the log, the later one counts. */
export function ConflictNotes({ conflicts }: { conflicts: readonly Conflict[] }) {
  if (conflicts.length === 0) return null;
  return (
    <ul aria-label="Said differently on two devices" className="mb-3 grid gap-1.5">
      {conflicts.slice(0, 3).map(({ earlier, later }) => (
        <li key={later.id} className="warn">
          <b>{later.name}:</b> {earlier.device} said {verdictPast[earlier.verdict]}
          {earlier.count === later.count ? '' : ` (${earlier.count})`}, {later.device} said{' '}
          {verdictPast[later.verdict]}
          {earlier.count === later.count ? '' : ` (${later.count})`} after it. The later one counts;
          both are kept in the log.
        </li>
      ))}
    </ul>
  );
}
