import { formatCount } from '@/core/shared';
import { buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';

interface HomeReportProps {
  readonly projectId: string;
  readonly homeName: string;
  /** Rooms that have something to show. */
  readonly rooms: readonly {
    readonly id: string;
    readonly name: string;
    /** Spots with a picture before and after, of all spots. */
    readonly pairCount: number;
    readonly spotCount: number;
    readonly figures: readonly { readonly value: string; readonly label: string }[];
  }[];
}

/** What the client gets of the whole home, and of each room. */
export function HomeReport({ projectId, homeName, rooms }: HomeReportProps) {
  const query = `/api/projects/${projectId}`;
  return (
    <>
      <h1 className="mb-3 text-[24px]">Report of {homeName}</h1>
      <section
        aria-label="For the client"
        className="panel flex flex-wrap items-center gap-2 border-t-4 border-t-rim p-4"
      >
        <p className="min-w-[240px] flex-1">
          One page in the client’s words, room by room: pictures, what left, what it cost, where
          everything lives. It opens without the app.
        </p>
        <a
          className={buttonClass('main')}
          href={`${query}/client`}
          target="_blank"
          rel="noreferrer"
        >
          Open the page
        </a>
        <a className={buttonClass('quiet')} href={`${query}/client-pdf`} download>
          PDF
        </a>
        <a className={buttonClass('quiet')} href={`${query}/client?download`} download>
          One file
        </a>
        <Link className={buttonClass('quiet')} href={`/projects/${projectId}/where`}>
          Where is it, for looking only
        </Link>
      </section>
      {rooms.length === 0 && (
        <p className="panel mt-3.5 p-4">
          No room has anything to show yet: pictures and decisions fill this page.
        </p>
      )}
      <ul className="mt-3.5 grid gap-3.5">
        {rooms.map(({ id, name, pairCount, spotCount, figures }) => (
          <li key={id} className="panel p-4">
            <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
              <h2 className="text-[19px]">
                <Link href={`/projects/${projectId}/rooms/${id}/show`} className="hover:underline">
                  {name}
                </Link>
              </h2>
              <p className="text-[14px] text-soft">
                {pairCount} of {formatCount(spotCount, 'spot')} before and after ·{' '}
                <a
                  className="text-rim underline underline-offset-3"
                  href={`${query}/client?room=${id}`}
                  target="_blank"
                  rel="noreferrer"
                >
                  page of this room
                </a>
              </p>
            </div>
            <dl className="mt-2 grid gap-3 sm:grid-cols-3 lg:grid-cols-4">
              {figures.map(({ value, label }) => (
                <div key={label} className="border-t-[3px] border-rim pt-1.5">
                  <dd className="font-mono text-[18px] leading-tight font-[650]">{value}</dd>
                  <dt className="text-[14px] leading-snug">{label}</dt>
                </div>
              ))}
            </dl>
          </li>
        ))}
      </ul>
    </>
  );
}
