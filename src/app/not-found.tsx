import { buttonClass } from '@/ui/primitives/Button';
import { Link } from '@/ui/primitives/Link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-[560px] p-8">
      <h1 className="mb-2 text-[26px]">Nothing lies here</h1>
      <p className="mb-4">The address is not that of a project or room, or it has gone since.</p>
      <Link href="/" className={buttonClass('main')}>
        Back to the desk
      </Link>
    </main>
  );
}
