import { ImportCsv } from '../agree/ImportCsv';
import { buttonClass } from '../primitives/Button';

/** Own and corrected kinds as a table, out and in. */
export function KindsFile() {
  return (
    <section aria-label="Kinds as a table" className="panel grid justify-items-start gap-3 p-4">
      <h2 className="text-[17px]">Your kinds as a table</h2>
      <p className="text-[14.5px] text-soft">
        A CSV of what you corrected and added: kind, words, litres, mass_g, upright_mm, longest_mm.
      </p>
      <a href="/api/kinds" download className={buttonClass('plain')}>
        Save kinds.csv
      </a>
      <ImportCsv
        address="/api/kinds"
        label="Bring a table in"
        accept=".csv,text/csv"
        outcomeWords="kind"
      />
    </section>
  );
}
