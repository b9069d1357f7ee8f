import { Link } from '../primitives/Link';

/** What was learnt, said where it matters; nothing where nothing was. */
export function LearntNote({ notes }: { readonly notes: readonly string[] }) {
  if (notes.length === 0) return null;
  return (
    <section aria-label="Learnt from your homes">
      <h2 className="caption mb-1 font-text">Learnt from your homes</h2>
      <ul className="grid gap-1 text-[14px]">
        {notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
      </ul>
      <Link
        href="/learnt"
        className="inline-flex min-h-9 items-center text-[14px] text-rim underline underline-offset-3 max-md:min-h-12"
      >
        What it rests on
      </Link>
    </section>
  );
}
