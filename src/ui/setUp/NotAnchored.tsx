import { Link } from '../primitives/Link';

/** Units that should be fixed to the wall, and of which nobody has said that they are. */
export function NotAnchored({
  rooms,
}: {
  readonly rooms: readonly {
    readonly name: string;
    readonly href: string;
    readonly unitNames: readonly string[];
  }[];
}) {
  const open = rooms.filter(({ unitNames }) => unitNames.length > 0);
  if (open.length === 0) return null;
  return (
    <section aria-label="Not anchored" className="warn mb-3">
      {open.map(({ name, href, unitNames }) => (
        <p key={href}>
          <b>Not anchored in the {name.toLowerCase()}, as far as anybody has said:</b>{' '}
          <Link className="underline" href={href}>
            {unitNames.join(', ')}
          </Link>
          . It can tip over until it is fixed to the wall.
        </p>
      ))}
    </section>
  );
}
