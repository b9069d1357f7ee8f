import { countAllAction, startOverAction } from '@/app/actions/learn';
import { reportOf } from '@/core/learn';
import { getDatabase } from '@/data/startData';
import { loadLearned } from '@/server/learn/loadLearned';
import { LearntView } from '@/ui/learn/LearntView';
import { Frame } from '@/ui/shell/Frame';
import { Lid } from '@/ui/shell/Lid';

export const metadata = { title: 'What was learnt' };
export const dynamic = 'force-dynamic';

export default async function LearntPage() {
  const { learned, homes, learning } = await loadLearned(await getDatabase());
  const report = reportOf(
    homes.map(({ outcomes }) => outcomes),
    learning,
  );
  return (
    <Frame lid={<Lid homeName="What was learnt" homeNote="from every home" />}>
      <LearntView
        report={report}
        learned={learned}
        learning={learning}
        onStartOver={startOverAction}
        onCountAll={countAllAction}
      />
    </Frame>
  );
}
