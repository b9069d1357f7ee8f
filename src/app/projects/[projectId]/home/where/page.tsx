import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { whereIs } from '@/core/show';
import { openHome } from '@/server/desk/openRoom';
import { WhereView } from '@/ui/home/WhereView';

export const metadata = { title: 'Where is it' };

interface WherePageProps {
  readonly params: Promise<{ projectId: string }>;
  readonly searchParams: Promise<{ id?: string }>;
}

export default async function WherePage({ params, searchParams }: WherePageProps) {
  const { projectId } = await params;
  const { id = '' } = await searchParams;
  const opened = await openHome(projectId);
  const found = opened && whereIs(opened.records, id);
  if (!found) notFound();
  return (
    <HomeFrame step={undefined} opened={opened}>
      <WhereView projectId={projectId} found={found} measureUnit={opened.records.project.units} />
    </HomeFrame>
  );
}
