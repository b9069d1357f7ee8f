import { getDatabase } from '@/data/startData';
import { loadDesk } from '@/server/desk/loadDesk';
import { Desk } from '@/ui/desk/Desk';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';

export default async function DeskPage() {
  const projects = await loadDesk(await getDatabase());
  return (
    <Frame
      lid={
        <Lid homeName="Desk" homeNote="all projects">
          <KeptStatus />
        </Lid>
      }
    >
      <Desk projects={projects} />
    </Frame>
  );
}
