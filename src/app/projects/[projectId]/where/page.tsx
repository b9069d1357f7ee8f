import { notFound } from 'next/navigation';

import { projectIdSchema } from '@/core/shared';
import { whereIs } from '@/core/show';
import { getDatabase } from '@/data/startData';
import { findAnything } from '@/server/desk/findAnything';
import { openHome } from '@/server/desk/openRoom';
import { LookingOnly } from '@/ui/home/LookingOnly';
import { WhereView } from '@/ui/home/WhereView';

export const metadata = { title: 'Where is it' };

interface LookingOnlyPageProps {
  readonly params: Promise<{ projectId: string }>;
  readonly searchParams: Promise<{ q?: string; id?: string }>;
}

/** For whoever puts the groceries away: where things live, with nothing that could be changed. */
export default async function LookingOnlyPage({ params, searchParams }: LookingOnlyPageProps) {
  const { projectId } = await params;
  const { q = '', id } = await searchParams;
  const opened = await openHome(projectId);
  if (!opened) notFound();
  const { project } = opened.records;
  const hits = await findAnything(
    await getDatabase(),
    q.slice(0, 100),
    projectIdSchema.parse(projectId),
  );
  const found = id === undefined ? undefined : whereIs(opened.records, id);
  return (
    <LookingOnly
      projectId={projectId}
      homeName={project.name}
      typed={q}
      hits={hits.flatMap(({ label, note, href }) => {
        const named = new URL(href, 'http://tin-box').searchParams.get('id');
        return named !== null && href.includes('/where?') ? [{ id: named, label, note }] : [];
      })}
    >
      {found && (
        <WhereView projectId={projectId} found={found} measureUnit={project.units} isLookingOnly />
      )}
    </LookingOnly>
  );
}
