import { formatDate } from '@/core/shared';

/** Says that what is shown is the last answer known, and from when it is. */
export const KnownNote = ({ knownAt }: { readonly knownAt: string }) => (
  <p role="status" className="panel mb-3 border-l-4 border-l-signal px-4 py-2.5 text-[15px]">
    As it was worked out on {formatDate(new Date(knownAt), 'd MMMM, HH:mm')}. The new answer is on
    its way …
  </p>
);
