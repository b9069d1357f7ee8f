import { notFound } from 'next/navigation';

import { noteConsentAction, saveClosingAction, withdrawConsentAction } from '@/app/actions/closing';
import { sendReportAction } from '@/app/actions/client';
import { HomeFrame } from '@/app/RoomFrame';
import { formatCount } from '@/core/shared';
import { closingNames, closingOf, composeRooms } from '@/server/client/closingReport';
import { openHome } from '@/server/desk/openRoom';
import { dayWords, figuresOf } from '@/server/show/clientWords';
import { ClosingView } from '@/ui/client/ClosingView';
import { StepPages } from '@/ui/shell/StepPages';

export const metadata = { title: 'Closing report' };

export default async function ClosingPage({ params }: { params: Promise<{ projectId: string }> }) {
  const { projectId } = await params;
  const opened = await openHome(projectId, ...closingNames);
  if (!opened) notFound();
  const { records } = opened;
  const closing = closingOf(records);
  const { consent } = closing;
  return (
    <HomeFrame step="show" opened={opened}>
      <StepPages scope={{ projectId }} step="show" active="closing" />
      <h1 className="sr-only">Closing report</h1>
      <ClosingView
        key={projectId}
        projectId={projectId}
        closing={closing}
        rooms={composeRooms(records).map(({ client, told, keepUp }) => ({
          name: client.room.name,
          told,
          keepUp,
          spots: client.pairs.map(({ vantagePoint, before, after }) => ({
            id: vantagePoint.id,
            name: vantagePoint.name,
            beforeId: before?.id,
            afterId: after?.id,
          })),
          figures: figuresOf(client, records.project.currency).map(({ code, value, label }) => ({
            code,
            words: `${value} ${label}`,
          })),
        }))}
        consentWords={
          consent
            ? `${consent.by} agreed on ${dayWords(consent.at)}, to ${formatCount(consent.pictureIds.length, 'picture')}.`
            : undefined
        }
        onSave={saveClosingAction.bind(null, projectId)}
        onConsent={noteConsentAction.bind(null, projectId)}
        onSend={sendReportAction.bind(null, projectId)}
        onWithdraw={withdrawConsentAction.bind(null, projectId)}
      />
    </HomeFrame>
  );
}
