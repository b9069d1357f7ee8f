import { ImportDecisions } from './ImportDecisions';

/** The project in open formats, out and in. */
export function ProjectFiles({ projectId }: { projectId: string }) {
  const link = 'flex min-h-9 items-center text-[14.5px] text-rim underline underline-offset-3 max-md:min-h-11';
  return (
    <section>
      <h2 className="caption mb-1 font-text">As files</h2>
      <a className={link} href={`/api/projects/${projectId}/export`} download>The whole project, zip</a>
      <a className={link} href={`/api/projects/${projectId}/csv?what=things`} download>Things as they stand, CSV</a>
      <a className={link} href={`/api/projects/${projectId}/csv?what=decisions`} download>Every decision, CSV</a>
      <ImportDecisions projectId={projectId} />
    </section>
  );
}
