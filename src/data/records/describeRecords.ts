import 'server-only';

import { recordKinds } from './kinds';

/** Every kind of record, whose it is and what it names, as the page `docs/records.md`. */
export function describeRecords(): string {
  const rows = recordKinds.map(({ name, table, parent, ids, shared, fileField }) => {
    const names = Object.entries(ids)
      .filter(([path]) => path !== parent?.field)
      .map(([path, target]) => `\`${path}\` → ${target.replaceAll('|', ' or ')}`);
    const notes = [
      ...names,
      ...(shared === 'always' ? ['every home’s'] : []),
      ...(shared === 'without_parent' ? ['every home’s where it has no owner'] : []),
      ...(fileField ? [`a picture by \`${fileField}\``] : []),
    ];
    const owner = parent ? `${parent.kind} (\`${parent.field}\`)` : '';
    return `| ${name} | \`${table.name}\` | ${owner} | ${notes.join(' · ')} |`;
  });
  return `# Records

Written by \`npm run describe-records\` from \`src/data/records\`; a test compares the two. Whoever owns a record takes it along
when it goes. \`?\` text that may be no id, \`~\` an id at the end of a longer text, \`*\` every entry of a list.

| record | table | belongs to | names |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
}
