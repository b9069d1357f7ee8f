import { notFound } from 'next/navigation';

import {
  chooseSchoolsAction,
  moveSectionAction,
  recordAgreementAction,
  removeSectionAction,
  saveSectionAction,
  saveTermsAction,
  suggestSectionsAction,
} from '@/app/actions/agree';
import { forgetAction, putAwayAction } from '@/app/actions/desk';
import { HomeFrame } from '@/app/RoomFrame';
import { compareAgreements } from '@/core/agree';
import { agreementLinesOf } from '@/server/agree/agreementLines';
import { loadEstimate } from '@/server/agree/loadEstimate';
import { sectionRoomsOf } from '@/server/agree/sectionRooms';
import { openHome } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import { dayWords } from '@/server/show/clientWords';
import { AgreedNote } from '@/ui/agree/AgreedNote';
import { EstimateBand } from '@/ui/agree/EstimateBand';
import { HomeEnd } from '@/ui/agree/HomeEnd';
import { ProjectFiles } from '@/ui/agree/ProjectFiles';
import { SchoolsForm } from '@/ui/agree/SchoolsForm';
import { SectionBoard } from '@/ui/agree/SectionBoard';
import { TermsForm } from '@/ui/agree/TermsForm';
import { toTypedTerms } from '@/ui/agree/termsForm';
import { buttonClass } from '@/ui/primitives/Button';
import { Link } from '@/ui/primitives/Link';

export const metadata = { title: 'Agree' };

export default async function HomeAgreePage({
  params,
}: {
  params: Promise<{ projectId: string }>;
}) {
  const { projectId } = await params;
  const opened = await openHome(projectId, 'agreements', 'people', 'visits');
  if (!opened) notFound();
  const { db, records } = opened;
  const { project } = records;
  const loaded = await loadEstimate(db, records, today());
  const agreed = records.agreements.at(-1);
  const last = agreed && {
    dayWords: dayWords(agreed.agreedAt),
    agreedBy: agreed.agreedBy,
    changes: compareAgreements(agreed.lines, agreementLinesOf(records)),
  };
  const tray = (
    <>
      <AgreedNote
        key={agreed?.id ?? 'none'}
        projectId={projectId}
        last={last}
        names={records.people.map(({ name }) => name)}
        onAgree={recordAgreementAction.bind(null, projectId)}
      />
      <ProjectFiles projectId={projectId} />
      <HomeEnd
        name={project.name}
        isAway={project.archivedAt !== null}
        onPutAway={putAwayAction.bind(null, projectId)}
        onForget={forgetAction.bind(null, projectId)}
      />
    </>
  );
  return (
    <HomeFrame step="agree" opened={opened} tray={tray}>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h1 className="text-[24px]">What is agreed for {project.name}</h1>
        <Link className={buttonClass('quiet')} href={`/projects/${projectId}/home/look/household`}>
          Household, date and budget
        </Link>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
        <EstimateBand
          readyBy={project.readyBy}
          {...loaded}
          terms={project.terms}
          currency={project.currency}
        />
        <SectionBoard
          estimates={loaded.estimate.sections}
          rooms={sectionRoomsOf(records)}
          activeRoomId={undefined}
          onSave={saveSectionAction.bind(null, projectId)}
          onSuggest={suggestSectionsAction.bind(null, projectId)}
          onMove={moveSectionAction.bind(null, projectId)}
          onRemove={removeSectionAction.bind(null, projectId)}
        />
        <div className="grid items-start gap-4 lg:grid-cols-2">
          <TermsForm
            key={projectId}
            typed={toTypedTerms(project.terms)}
            onSave={saveTermsAction.bind(null, projectId)}
          />
          <SchoolsForm
            project={project.terms.schools}
            room={undefined}
            onChoose={chooseSchoolsAction.bind(null, projectId, undefined)}
          />
        </div>
      </div>
    </HomeFrame>
  );
}
