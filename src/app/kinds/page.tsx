import {
  addKindAction,
  resetKindAction,
  setKindSizeAction,
  weighKindAction,
} from '@/app/actions/kinds';
import { kindCount, listSizedKinds } from '@/core/sort';
import { listKindSizes } from '@/data/countRepo';
import { getDatabase } from '@/data/startData';
import { loadLearned } from '@/server/learn/loadLearned';
import { AddKind } from '@/ui/count/AddKind';
import { KindsFile } from '@/ui/count/KindsFile';
import { KindsSearch } from '@/ui/count/KindsSearch';
import { KindsTable } from '@/ui/count/KindsTable';
import { Frame } from '@/ui/shell/Frame';
import { Lid } from '@/ui/shell/Lid';

export const metadata = { title: 'Typical sizes' };
export const dynamic = 'force-dynamic';

/** More in one table is not read but searched. */
const MOST_SHOWN = 60;

export default async function KindsPage({
  searchParams,
}: {
  searchParams: Promise<{ readonly find?: string | string[] }>;
}) {
  const { find = '' } = await searchParams;
  const sought = (Array.isArray(find) ? find[0] : find) ?? '';
  const db = await getDatabase();
  const sizes = await listKindSizes(db);
  const learnt = (await loadLearned(db)).learned.sizes;
  const { kinds, foundCount } = listSizedKinds(sizes, { sought, most: MOST_SHOWN, learnt });
  return (
    <Frame lid={<Lid homeName="Typical sizes" homeNote="for every home" />}>
      <h1 className="mb-1 text-[24px]">What one piece takes and weighs</h1>
      <p className="mb-4 max-w-[720px] text-[14.5px] text-soft">
        The bench counts litres and kilograms by these. They ship as our own stated assumptions:
        folded or stacked as people store it, weights as a household scale shows them, each with the
        range that holds four times in five. Type over what is wrong, or put some on the scale: the
        mean of what was weighed then counts in every home. Where sizes were typed at a bench, a
        kind is learnt from them; that is said beside it.
      </p>
      <form className="mb-3 flex flex-wrap items-center gap-3">
        <KindsSearch sought={sought} />
        <button type="submit" className="sr-only">
          Find
        </button>
        <p className="text-[14px] text-soft">
          {foundCount > kinds.length
            ? `the first ${kinds.length} of ${foundCount} kinds; type a word to find yours`
            : `${foundCount} of ${kindCount} kinds`}
          {sizes.length > 0 && `, ${sizes.length} corrected or added by you`}
        </p>
      </form>
      <KindsTable
        kinds={kinds}
        onSet={setKindSizeAction}
        onWeigh={weighKindAction}
        onReset={resetKindAction}
      />
      <div className="mt-6 grid max-w-[860px] items-start gap-6 md:grid-cols-2">
        <AddKind onAdd={addKindAction} />
        <KindsFile />
      </div>
    </Frame>
  );
}
