import { notFound } from 'next/navigation';

import {
  askMoreAction,
  makePageAction,
  receiveAnswerFileAction,
  revokePageAction,
  saveSharingAction,
  sendMailAction,
  setAnswerAsideAction,
  takeAnswerAction,
} from '@/app/actions/client';
import { HomeFrame } from '@/app/RoomFrame';
import { clientDeskNames, loadClientDesk } from '@/server/client/clientDesk';
import { linkBaseOf } from '@/server/client/linkBase';
import { openHome } from '@/server/desk/openRoom';
import { mailTransportOf } from '@/server/mail/transport';
import { RefreshOnAnswers } from '@/ui/desk/RefreshOnAnswers';
import { ClientView } from '@/ui/client/ClientView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'The client' };

export default async function ClientPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, ...clientDeskNames, 'people');
  if (!opened) notFound();
  const { db, records, stamp } = opened;
  return (
    <HomeFrame step="show" opened={opened}>
      <RefreshOnAnswers />
      <StepPages scope={{ projectId }} step="show" active="client" />
      <h1 className="sr-only">The client</h1>
      <ClientView
        projectId={projectId}
        desk={await loadClientDesk(db, records, stamp)}
        currency={records.project.currency}
        names={records.people.filter(({ isChild }) => !isChild).map(({ name }) => name)}
        reach={linkBaseOf(process.env).reach}
        mailKind={mailTransportOf(process.env).kind}
        onShare={saveSharingAction.bind(null, projectId)}
        onMake={makePageAction.bind(null, projectId)}
        onTake={takeAnswerAction.bind(null, projectId)}
        onSetAside={setAnswerAsideAction.bind(null, projectId)}
        onReceive={receiveAnswerFileAction.bind(null, projectId)}
        onAskMore={askMoreAction.bind(null, projectId)}
        onRevoke={revokePageAction.bind(null, projectId)}
        onSendMail={sendMailAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
