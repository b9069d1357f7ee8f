import { Link } from '../primitives/Link';

export interface NextThing {
  readonly words: string;
  /** The step, and of the home the room too. */
  readonly where: string;
  readonly href: string;
}

/** The next three things to do; a link goes where it is done. */
export function NextThings({ next, title }: { next: readonly NextThing[]; title: string }) {
  return (
    <section>
      <h2 className="caption mb-1.5 font-text">{title}</h2>
      {next.length === 0 && (
        <p className="text-[14.5px]">
          Nothing is missing here. When to look again stands under Look again.
        </p>
      )}
      <NextList next={next.slice(0, 3)} />
    </section>
  );
}

export const NextList = ({ next }: { next: readonly NextThing[] }) => (
  <ol className="grid gap-1">
    {next.map((item) => (
      <li key={`${item.href} ${item.words}`}>
        <Link
          href={item.href}
          className="block rounded py-1 text-[14.5px] leading-snug hover:bg-rim-wash max-md:min-h-12 max-md:py-2.5"
        >
          {item.words} <span className="text-[13px] whitespace-nowrap text-soft">{item.where}</span>
        </Link>
      </li>
    ))}
  </ol>
);
