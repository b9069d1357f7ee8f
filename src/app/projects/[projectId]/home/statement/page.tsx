import { notFound } from 'next/navigation';

import { saveStatementTermsAction } from '@/app/actions/visits';
import { HomeFrame } from '@/app/RoomFrame';
import { daySchema } from '@/core/agree';
import { loadHomePage } from '@/server/desk/homePage';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { loadStatement } from '@/server/visits/statement';
import { HomeTabs } from '@/ui/home/HomeTabs';
import { HomeTray } from '@/ui/home/HomeView';
import { StatementView } from '@/ui/visits/StatementView';

export const metadata = { title: 'Statement' };

interface StatementPageProps {
  readonly params: Promise<{ projectId: string }>;
  readonly searchParams: Promise<{ readonly from?: unknown; readonly to?: unknown }>;
}

export default async function StatementPage({ params, searchParams }: StatementPageProps) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'agreements', 'visits');
  if (!opened) notFound();
  const { project, rooms } = opened.records;
  const asked = await searchParams;
  const span = {
    from: daySchema.safeParse(asked.from).data ?? null,
    to: daySchema.safeParse(asked.to).data ?? null,
  };
  return (
    <HomeFrame
      step={undefined}
      opened={opened}
      tray={
        <HomeTray project={project} rooms={rooms} facts={await loadHomePage(opened, today())} />
      }
    >
      <HomeTabs projectId={projectId} active="statement" />
      <StatementView
        project={project}
        statement={await loadStatement(opened.db, opened.records, span)}
        span={span}
        onTerms={saveStatementTermsAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
