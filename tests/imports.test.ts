import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

import ts from 'typescript';

const root = path.join(__dirname, '..', 'src');

const listFiles = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const file = path.join(folder, entry.name);
    if (entry.isDirectory()) return listFiles(file);
    return /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name) ? [file] : [];
  });

const files = new Set(listFiles(root));

function resolve(from: string, specifier: string): string | undefined {
  const bare = specifier.startsWith('@/')
    ? path.join(root, specifier.slice(2))
    : path.join(path.dirname(from), specifier);
  if (!specifier.startsWith('@/') && !specifier.startsWith('.')) return undefined;
  return [`${bare}.ts`, `${bare}.tsx`, path.join(bare, 'index.ts')].find((file) => files.has(file));
}

/** What each file imports of the house, types among it. */
const imports = new Map(
  [...files].map((file) => [
    file,
    ts
      .preProcessFile(readFileSync(file, 'utf8'), true, true)
      .importedFiles.flatMap(({ fileName }) => resolve(file, fileName) ?? []),
  ]),
);

/** Every way from a file back to itself, each told once. Depth first. */
function findCycles(): string[] {
  const found: string[] = [];
  const done = new Set<string>();
  const trail: string[] = [];
  const visit = (file: string): void => {
    const at = trail.indexOf(file);
    if (at >= 0) {
      const names = [...trail.slice(at), file].map((each) => path.relative(root, each));
      found.push(names.join(' → '));
      return;
    }
    if (done.has(file)) return;
    trail.push(file);
    for (const next of imports.get(file) ?? []) visit(next);
    trail.pop();
    done.add(file);
  };
  for (const file of imports.keys()) visit(file);
  return found;
}

test('no file leads back to itself, types among it', () => {
  expect(imports.size).toBeGreaterThan(500);
  expect(findCycles()).toEqual([]);
});

const isClient = (file: string): boolean => /^'use client';/.test(readFileSync(file, 'utf8'));

/** What a file imports of the house's other files, by name, without its types. */
function namesOf(file: string): { readonly from: string; readonly name: string }[] {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  return source.statements.flatMap((statement) => {
    if (!ts.isImportDeclaration(statement) || !ts.isStringLiteral(statement.moduleSpecifier))
      return [];
    const clause = statement.importClause;
    const from = resolve(file, statement.moduleSpecifier.text);
    if (!from || !clause?.namedBindings || clause.isTypeOnly) return [];
    if (!ts.isNamedImports(clause.namedBindings)) return [];
    return clause.namedBindings.elements
      .filter((element) => !element.isTypeOnly)
      .map((element) => ({ from, name: (element.propertyName ?? element.name).text }));
  });
}

test('what is rendered on the server takes components of a client module, and no functions', () => {
  const pages = [...files].filter((file) => /\/app\/.*\/?(page|layout|error)\.tsx$/.test(file));
  const onServer = new Set<string>();
  const visit = (file: string): void => {
    if (onServer.has(file) || isClient(file)) return;
    onServer.add(file);
    for (const next of imports.get(file) ?? []) visit(next);
  };
  pages.forEach(visit);
  expect(onServer.size).toBeGreaterThan(200);
  const taken = [...onServer].flatMap((file) =>
    namesOf(file)
      .filter(({ from, name }) => isClient(from) && !/^[A-Z]/.test(name))
      .map(({ name }) => `${path.relative(root, file)} calls ${name}`),
  );
  expect(taken).toEqual([]);
});

/** The file that a name of an index comes from; the file itself where it is none. */
function sourceOf(file: string, name: string): string {
  if (path.basename(file) !== 'index.ts') return file;
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest);
  for (const statement of source.statements) {
    if (!ts.isExportDeclaration(statement) || !statement.exportClause) continue;
    if (!ts.isNamedExports(statement.exportClause) || !statement.moduleSpecifier) continue;
    const known = statement.exportClause.elements.find((element) => element.name.text === name);
    const from = ts.isStringLiteral(statement.moduleSpecifier)
      ? resolve(file, statement.moduleSpecifier.text)
      : undefined;
    if (known && from) return sourceOf(from, (known.propertyName ?? known.name).text);
  }
  return file;
}

/** Pages whose first script is to be small; what checks data comes with what is typed or sent. */
const LEAN_PAGES = [
  'page.tsx',
  'projects/[projectId]/home/page.tsx',
  'projects/[projectId]/home/take-away/page.tsx',
  'projects/[projectId]/rooms/[roomId]/agree/page.tsx',
  'projects/[projectId]/rooms/[roomId]/show/page.tsx',
  'projects/[projectId]/rooms/[roomId]/look-again/page.tsx',
];

test.each(LEAN_PAGES)('%s asks for no schema at first', (page) => {
  const checked = /^import (?!type)[^;]*from 'zod'|^import [^;]*from 'react-hook-form'/m;
  const seen = new Set<string>();
  const found: string[] = [];
  const visit = (file: string, way: readonly string[], isInBrowser: boolean): void => {
    const text = readFileSync(file, 'utf8');
    const inBrowser = isInBrowser || isClient(file);
    const key = `${file} ${inBrowser}`;
    // An action is called over the line: none of it comes to the browser.
    if (seen.has(key) || /^'use server';/.test(text)) return;
    seen.add(key);
    const next = [...way, path.relative(root, file)];
    if (inBrowser && checked.test(text)) found.push(next.join(' → '));
    for (const { from, name } of namesOf(file)) visit(sourceOf(from, name), next, inBrowser);
  };
  visit(path.join(root, 'app', page), [], false);
  visit(path.join(root, 'app', 'layout.tsx'), [], false);
  expect(seen.size).toBeGreaterThan(60);
  expect(found).toEqual([]);
});
