import { notFound } from 'next/navigation';

import { chooseDraftAction } from '@/app/actions/drafts';
import { undoAction } from '@/app/actions/projects';
import { compareArrangements } from '@/core/place';
import { openRoom } from '@/server/desk/openRoom';
import { loadArrangement, slipsOf } from '@/server/place/loadArrangement';
import { CompareView, type CompareSide } from '@/ui/place/CompareView';
import { PlacePages } from '@/ui/place/PlacePages';
import { StepFrame } from '@/ui/shell/StepFrame';

export const metadata = { title: 'Compare arrangements' };

interface ComparePageProps {
  readonly params: Promise<{ projectId: string; roomId: string }>;
  readonly searchParams: Promise<{ a?: string | string[]; b?: string | string[] }>;
}

export default async function ComparePage({ params, searchParams }: ComparePageProps) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { records, own, here } = opened;
  const asked = await searchParams;
  const slips = slipsOf(opened);
  // Today against the chosen one, unless others are asked for.
  const [a, b] = [loadArrangement(opened, asked.a ?? 'today'), loadArrangement(opened, asked.b)];
  const placesOf = ({ groups }: typeof a) => Object.fromEntries(groups.map(({ id, bayId }) => [id, bayId]));
  return (
    <StepFrame step="place" project={records.project} desk={opened.desk} room={own.room} progress={here.progress} undo={opened.undo} onUndo={undoAction}>
      <PlacePages projectId={projectId} roomId={roomId} active="compare" />
      <h1 className="sr-only">Two arrangements of the {own.room.name.toLowerCase()}, point by point</h1>
      <CompareView
        slips={slips}
        sides={[a, b].map(({ shownRef, judged }) => ({ ref: shownRef, judged })) as [CompareSide, CompareSide]}
        changes={a.zones ? compareArrangements(a.zones, { from: placesOf(a), to: placesOf(b) }) : []}
        groups={own.groups.map(({ id, name }) => ({ id, name }))}
        people={records.people.map(({ id, name }) => ({ id, name }))}
        bayNames={a.bayNames}
        onChoose={chooseDraftAction.bind(null, projectId, roomId)}
      />
    </StepFrame>
  );
}
