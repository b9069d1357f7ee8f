import { notFound } from 'next/navigation';

import { HomeFrame } from '@/app/RoomFrame';
import { dropRuleAction, saveRuleAction, setHouseholdAction } from '@/app/actions/count';
import {
  countEnough,
  datesCardOf,
  findOddPieces,
  findRepeats,
  findSets,
  matchLids,
} from '@/core/count';
import { householdOf, rulesInUse } from '@/server/count/enoughRules';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { CountView } from '@/ui/count/CountView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Count' };

export default async function CountPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'people');
  if (!opened) notFound();
  const { db, records } = opened;
  const { project, people, things } = records;
  const rules = await rulesInUse(db, project.id);
  const household = householdOf(project, people);
  const card = datesCardOf(things, today());
  const unit = project.units;
  return (
    <HomeFrame step="sort" opened={opened}>
      <StepPages scope={{ projectId }} step="sort" active="count" />
      <CountView
        projectId={projectId}
        rooms={records.rooms.map(({ id, name }) => ({ id, name }))}
        household={household}
        lines={countEnough(rules, household, things)}
        offRules={rules.filter(({ isOff }) => isOff)}
        repeats={findRepeats(things)}
        lids={matchLids(things, unit)}
        sets={findSets(things)}
        odd={findOddPieces(things)}
        datesHref={`/projects/${projectId}/home/sort/dates`}
        outCount={card.out.length}
        soonCount={card.soon.length}
        onSaveRule={saveRuleAction.bind(null, projectId)}
        onDropRule={dropRuleAction.bind(null, projectId)}
        onHousehold={setHouseholdAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
