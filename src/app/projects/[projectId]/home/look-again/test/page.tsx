import { notFound } from 'next/navigation';

import { removeTestAction } from '@/app/actions/again';
import { HomeFrame } from '@/app/RoomFrame';
import {
  compareRounds,
  findingKey,
  findingsOfTests,
  mendingsOf,
  pickItems,
  roundsOf,
  scoreOfAll,
  scoresByGroup,
  scoresByLabel,
  scoresByPerson,
  type PutAwayItem,
} from '@/core/again';
import { createRandom } from '@/core/shared';
import { namesOf } from '@/server/again/names';
import { openHome } from '@/server/desk/openRoom';
import { findingWords } from '@/ui/again/againWords';
import { TestView } from '@/ui/again/TestView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Put-away test' };

export default async function TestPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'putAwayTests');
  if (!opened) notFound();
  const { records } = opened;
  const { groups, putAwayTests, people, rooms, things, units } = records;
  const names = namesOf(records);
  const [before, after] = roundsOf(putAwayTests);
  const facts = {
    unitOf: (bayId: string) =>
      units.find(({ bays }) => bays.some(({ id }) => id === bayId))?.id as string | undefined,
    someCannotRead: people.some(({ labels }) => labels === 'pictures'),
  };
  const nameOf = (id: string) => groups.find((group) => group.id === id)?.name ?? 'gone since';
  const made = records.labelings.flatMap((labeling) => labeling.made);
  const labelOf = ({ groupId, meantBayId }: PutAwayItem) =>
    made.find((label) => label.groupId === groupId && label.bayId === meantBayId)?.text;
  return (
    <HomeFrame step="look-again" opened={opened}>
      <StepPages scope={{ projectId }} step="look-again" active="test" />
      <TestView
        projectId={projectId}
        rooms={rooms
          .map(({ id, name }) => ({ id, name, units: units.filter((unit) => unit.roomId === id) }))
          .filter((room) => room.units.length > 0)}
        people={people.map(({ id, name, labels }) => ({
          id,
          name,
          readsPictures: labels === 'pictures',
          items: pickItems(
            { groups, things, tests: putAwayTests, personId: id },
            // The same things until a test is kept, so that loading the page again changes nothing.
            createRandom(putAwayTests.length * 101 + people.findIndex((each) => each.id === id)),
          ),
        }))}
        tests={putAwayTests}
        all={scoreOfAll(after)}
        byGroup={scoresByGroup(after).map((score) => ({ ...score, name: nameOf(score.key) }))}
        byPerson={scoresByPerson(after)}
        byLabel={scoresByLabel(after, labelOf)}
        findings={findingsOfTests(after).map((finding) => ({
          key: findingKey(finding),
          code: finding.code,
          words: findingWords(finding, names),
          mendings: mendingsOf(finding, facts),
        }))}
        compared={compareRounds(before, after).map((each) => ({
          groupId: each.groupId,
          name: nameOf(each.groupId),
          change: each.change,
          words: `${each.before.first.hits} of ${each.before.first.of} before, ${each.after.first.hits} of ${each.after.first.of} now`,
        }))}
        onRemove={removeTestAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
