import { ImportCsv } from './ImportCsv';

/** The project in open formats, out and in. */
export function ProjectFiles({ projectId }: { projectId: string }) {
  const link =
    'flex min-h-9 items-center text-[14.5px] text-rim underline underline-offset-3 max-md:min-h-12';
  return (
    <section>
      <h2 className="caption mb-1 font-text">As files</h2>
      <a className={link} href={`/api/projects/${projectId}/export`} download>
        The whole project, zip
      </a>
      <p className="flex flex-wrap gap-x-3">
        <a className={link} href={`/api/projects/${projectId}/measures?format=csv`} download>
          Measures, CSV
        </a>
        <a className={link} href={`/api/projects/${projectId}/measures?format=json`} download>
          JSON
        </a>
      </p>
      <a className={link} href={`/api/projects/${projectId}/csv?what=things`} download>
        Things as they stand, CSV
      </a>
      <a className={link} href={`/api/projects/${projectId}/csv?what=decisions`} download>
        Every decision, CSV
      </a>
      <ImportCsv
        address={`/api/projects/${projectId}/csv`}
        label="Read decisions from CSV"
        accept=".csv,text/csv"
        outcomeWords="decision"
      />
      <ImportCsv
        address={`/api/projects/${projectId}/measures`}
        label="Read measures, CSV or JSON"
        accept=".csv,.json,text/csv,application/json"
        outcomeWords="unit"
      />
    </section>
  );
}
