import { dataDirOf } from '@/data/db';
import { getBackupSettings, hasRealWork } from '@/data/settingsRepo';
import { listWaitingAnswers } from '@/data/clientRepo';
import { getDatabase } from '@/data/startData';
import { backupsDirOf } from '@/server/backup/backupSchedule';
import { loadDesk } from '@/server/desk/loadDesk';
import { countAway } from '@/server/desk/putAway';
import { today } from '@/server/means';
import { listVisits } from '@/server/visits/saveVisit';
import { Desk } from '@/ui/desk/Desk';
import { RefreshOnAnswers } from '@/ui/desk/RefreshOnAnswers';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';
import { backUpNowAction, saveBackupScheduleAction } from './actions/desk';

export default async function DeskPage() {
  const db = await getDatabase();
  const { every, keep, lastAt, lastProblem } = await getBackupSettings(db);
  const projects = await loadDesk(db);
  const waiting = await listWaitingAnswers(db);
  const backups = {
    schedule: { every, keep },
    folder: backupsDirOf(process.env, dataDirOf(process.env)),
    lastAt,
    lastProblem,
    hasWork: await hasRealWork(db),
    onSave: saveBackupScheduleAction,
    onBackUp: backUpNowAction,
  };
  return (
    <Frame
      lid={
        <Lid homeName="Desk" homeNote="all projects">
          <KeptStatus />
        </Lid>
      }
    >
      <RefreshOnAnswers />
      <Desk
        projects={projects}
        awayCount={await countAway(db)}
        backups={backups}
        week={{
          today: today(),
          visits: (await listVisits(db)).map((each) => ({
            ...each,
            travelMinutes:
              projects.find(({ project }) => project.id === each.projectId)?.project.terms.days
                .travelMinutes ?? 0,
          })),
          due: projects.flatMap(({ project: { name }, due }) =>
            due.map((each) => ({ ...each, homeName: name })),
          ),
          questions: projects.flatMap(({ project: { id, name }, questionCount }) =>
            questionCount === 0 ? [] : [{ homeName: name, projectId: id, count: questionCount }],
          ),
          answers: projects.flatMap(({ project: { id, name } }) => {
            const own = waiting.filter(({ projectId }) => projectId === id);
            return own[0]
              ? [{ homeName: name, projectId: id, count: own.length, last: own[0] }]
              : [];
          }),
          ready: projects.flatMap(({ project: { readyBy, name, status } }) =>
            readyBy === null || status === 'finished' ? [] : [{ day: readyBy, homeName: name }],
          ),
        }}
      />
    </Frame>
  );
}
