import Link from 'next/link';
import { notFound } from 'next/navigation';

import { addGroupAction, arrangeGroupsAction, changeGroupAction, placeGroupAction, removeGroupAction } from '@/app/actions/groups';
import { undoAction } from '@/app/actions/projects';
import { arrangeFront } from '@/core/look';
import { bayLevelOf, costOfZones, createZonesProblem, toZonesRequest, type ZonesRequest } from '@/core/place';
import { keptLitresOf, type Group } from '@/core/sort';
import { openRoom } from '@/server/desk/openRoom';
import { GroupWishes } from '@/ui/place/GroupWishes';
import { PlaceBoard } from '@/ui/place/PlaceBoard';
import { PlaceFigures } from '@/ui/place/PlaceFigures';
import { ProposePanel } from '@/ui/place/ProposePanel';
import { buttonClass } from '@/ui/primitives/Button';
import { StepFrame } from '@/ui/shell/StepFrame';

/** So long a proposal is improved before it is shown as final; the first one is there at once. */
const PROPOSAL_MS = 4000;

export const metadata = { title: 'Place' };

export default async function PlacePage({ params }: { params: Promise<{ projectId: string; roomId: string }> }) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(projectId, roomId);
  if (!opened) notFound();
  const { records, own, here } = opened;
  const bays = own.units.flatMap((unit) => unit.bays);
  const fronts = arrangeFront(own.units).units.flatMap((unit) => unit.layout.bays);
  const levels = bays.map((bay) => ({
    bay,
    level: bayLevelOf({ bay, reachMm: fronts.find(({ bayId }) => bayId === bay.id)?.zMm ?? 0, groups: records.groups, things: records.things, people: records.people }),
  }));
  const litresOf = Object.fromEntries(own.groups.map((group) => [group.id, keptLitresOf(group, records.things)]));
  const zones = toZonesRequest({ room: own.room, units: own.units, fixtures: records.fixtures.filter(({ roomId: of }) => of === own.room.id), groups: records.groups, things: records.things, people: records.people }, PROPOSAL_MS);
  const tray = <GroupWishes people={records.people} stations={records.fixtures.filter((fixture) => fixture.roomId === own.room.id && fixture.kind === 'station')} groups={own.groups} litresOf={litresOf} onSave={changeGroupAction.bind(null, projectId)} onAdd={addGroupAction.bind(null, projectId, roomId)} onRemove={removeGroupAction.bind(null, projectId)} />;
  return (
    <StepFrame step="place" project={records.project} desk={opened.desk} room={own.room} progress={here.progress} undo={opened.undo} onUndo={undoAction} tray={tray}>
      <h1 className="mb-3 text-[24px] max-md:text-[20px]">Where everything lives in the {own.room.name.toLowerCase()}</h1>
      {bays.length === 0 ? (
        <p className="panel border-t-4 border-t-rim p-6 text-[17px]">There is no place to put anything yet. <Link className={buttonClass('main', 'ml-2')} href={`/projects/${projectId}/rooms/${roomId}/look/units/new`}>Measure a unit</Link></p>
      ) : (
        <>
          <PlaceBoard units={own.units} groups={own.groups} things={records.things} people={records.people} measureUnit={records.project.units} onPlace={placeGroupAction.bind(null, projectId)} />
          <PlaceFigures levels={levels} groups={own.groups} />
          {zones && own.groups.length > 0 && <ProposePanel request={zones} groups={own.groups} bayNames={Object.fromEntries(bays.map(({ id, name }) => [id, name]))} minutesNow={minutesNow(zones, own.groups)} onTake={arrangeGroupsAction.bind(null, projectId)} />}
        </>
      )}
    </StepFrame>
  );
}

/** What the present arrangement asks in minutes a week; undefined while a group has no home here, or stands where it must not. */
function minutesNow(zones: ZonesRequest, groups: readonly Group[]): number | undefined {
  const places = zones.groups.map(({ id }) => zones.bays.findIndex((bay) => bay.id === groups.find((group) => group.id === id)?.bayId));
  if (places.includes(-1)) return undefined;
  const seconds = costOfZones(createZonesProblem({ ...zones, groups: zones.groups.map(({ fixedBayId: _, ...group }) => group) }), places);
  return Number.isFinite(seconds) ? seconds / 60 : undefined;
}
