import { resetKindAction, setKindSizeAction, weighKindAction } from '@/app/actions/count';
import { withKindSizes } from '@/core/sort';
import { listKindSizes } from '@/data/countRepo';
import { getDatabase } from '@/data/startData';
import { KindsTable } from '@/ui/count/KindsTable';
import { Frame } from '@/ui/shell/Frame';
import { Lid } from '@/ui/shell/Lid';

export const metadata = { title: 'Typical sizes' };
export const dynamic = 'force-dynamic';

export default async function KindsPage() {
  const kinds = withKindSizes(await listKindSizes(await getDatabase()));
  return (
    <Frame lid={<Lid homeName="Typical sizes" homeNote="for every home" />}>
      <h1 className="mb-1 text-[24px]">What one piece takes and weighs</h1>
      <p className="mb-4 max-w-[720px] text-[14.5px] text-soft">
        The bench counts litres and kilograms by these. They ship as our own stated assumptions:
        folded or stacked as people store it, weights as a kitchen scale shows them. Type over what
        is wrong, or put some on the scale: the mean of what was weighed then counts in every home.
      </p>
      <KindsTable
        kinds={kinds}
        onSet={setKindSizeAction}
        onWeigh={weighKindAction}
        onReset={resetKindAction}
      />
    </Frame>
  );
}
