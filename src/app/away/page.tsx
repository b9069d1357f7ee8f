import type { Metadata } from 'next';

import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { backupsDirOf } from '@/server/backup/backupSchedule';
import { loadAway } from '@/server/desk/putAway';
import { AwayHomes } from '@/ui/desk/AwayHomes';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';
import { putAwayAction } from '../actions/desk';

export const metadata: Metadata = { title: 'Put away · Tin Box' };

export default async function AwayPage() {
  const dataDir = dataDirOf(process.env);
  const away = await loadAway(await getDatabase(), backupsDirOf(process.env, dataDir));
  const takeBack = async (projectId: string) => {
    'use server';
    return putAwayAction(projectId, false);
  };
  return (
    <Frame
      lid={
        <Lid homeName="Desk" homeNote="homes that are put away">
          <KeptStatus />
        </Lid>
      }
    >
      <AwayHomes {...away} onTakeBack={takeBack} />
    </Frame>
  );
}
