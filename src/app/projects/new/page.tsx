import { startProjectAction } from '@/app/actions/projects';
import { emptyPerson } from '@/ui/agree/projectForm';
import { ProjectForm } from '@/ui/agree/ProjectForm';
import { Frame } from '@/ui/shell/Frame';
import { KeptStatus } from '@/ui/shell/KeptStatus';
import { Lid } from '@/ui/shell/Lid';

export const metadata = { title: 'Start a project' };

export default function NewProjectPage() {
  return (
    <Frame
      lid={
        <Lid homeName="New project" homeNote="household and agreement">
          <KeptStatus />
        </Lid>
      }
    >
      <div className="mx-auto max-w-[900px]">
        <h1 className="mb-4 text-[26px]">Start a project</h1>
        <ProjectForm
          typed={{
            name: '',
            units: 'cm',
            currency: 'GBP',
            budget: '0',
            readyBy: '',
            status: 'active',
            bedCount: '0',
            guestPlaceCount: '0',
            rowDepth: '',
            pets: '',
            people: [emptyPerson],
            roomBudgets: {},
          }}
          rooms={[]}
          submitLabel="Start the project"
          onSave={startProjectAction}
          canFinish={false}
        />
      </div>
    </Frame>
  );
}
