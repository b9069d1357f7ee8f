/**
 * Where a record names others, and how those names are read and replaced. A path is fields joined by
 * dots; `*` stands for every entry of a list or an object: `places.*.groupId`.
 */
type IdMapper = (id: string, target: string) => string;

/** A copy of `value` in which every id that `paths` lead to is replaced. Null and absent ones stay. */
export function mapIds<T>(value: T, paths: Readonly<Record<string, string>>, map: IdMapper): T {
  let mapped: unknown = value;
  for (const [path, target] of Object.entries(paths))
    mapped = mapAt(mapped, path.split('.'), (id) => map(id, target));
  return mapped as T;
}

function mapAt(value: unknown, path: readonly string[], map: (id: string) => string): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return typeof value === 'string' ? map(value) : value;
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value))
    return step === '*' ? value.map((each) => mapAt(each, rest, map)) : value;
  const entries = Object.entries(value);
  if (step !== '*' && !(step in value)) return value;
  return Object.fromEntries(
    entries.map(([key, inner]) =>
      step === '*' || key === step ? [key, mapAt(inner, rest, map)] : [key, inner],
    ),
  );
}

/** Every id that `paths` lead to, with what it names. */
export function listIds(
  value: unknown,
  paths: Readonly<Record<string, string>>,
): { readonly path: string; readonly target: string; readonly id: string }[] {
  const found: { path: string; target: string; id: string }[] = [];
  for (const [path, target] of Object.entries(paths))
    mapAt(value, path.split('.'), (id) => {
      found.push({ path, target, id });
      return id;
    });
  return found;
}
