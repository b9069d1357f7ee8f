import { isSolved, LinearModel, type Solver } from '../shared';
import type { ShopReason } from './shopAnswer';
import type { ShopRequest } from './model';
import { servedNeedsOf } from './shopLists';

/** So many needs are named beside the one that stays short. */
const MOST_BESIDE = 8;
const MOST_MS = 1000;

/**
 * Which must stays short where shared offers hold enough for each alone and not for all: as few pieces
 * as possible are left out, and the first need that misses some is named, with those that take from
 * the same offers. Source: transport of units from offers to needs, whole by its nature.
 * Requires: every must alone is on offer, and all together are not.
 */
export function nameShortage(
  request: ShopRequest,
  lacking: ReadonlyMap<string, number>,
  solver: Solver,
): ShopReason {
  const model = new LinearModel();
  const musts = new Set(
    request.needs.filter(({ priority }) => priority === 'must').map(({ id }) => id),
  );
  const short = new Map(
    [...musts].map((id) => [id, model.addVariable({ most: lacking.get(id) ?? 0 })]),
  );
  const given = new Map([...musts].map((id) => [id, [[short.get(id)!, 1] as const]]));
  for (const offer of request.offers) {
    const served = servedNeedsOf(offer).filter((id) => musts.has(id));
    const units = served.map((id) => [id, model.addVariable()] as const);
    for (const [id, variable] of units) given.get(id)!.push([variable, 1]);
    model.addRow(
      units.map(([, variable]) => [variable, 1] as const),
      { most: (offer.maxPacks ?? Infinity) * offer.packSize },
    );
  }
  for (const [id, terms] of given) model.addRow(terms, { least: lacking.get(id) ?? 0 });
  const found = model.minimise(
    solver,
    [...short.values()].map((variable) => [variable, 1] as const),
    { timeLimitMs: MOST_MS, seed: request.seed },
  );
  const missing = isSolved(found)
    ? [...short].find(([, variable]) => found.values[variable]! > 0.5)
    : undefined;
  if (!missing) return { code: 'offers_run_out', subject: 'offers', lack: 0, beside: [] };
  const [subject, variable] = missing;
  const rivals = request.offers
    .filter((offer) => offer.maxPacks !== undefined)
    .map(servedNeedsOf)
    .filter((served) => served.includes(subject))
    .flat();
  const beside = [...new Set(rivals)].filter((id) => id !== subject && musts.has(id));
  return {
    code: 'offers_run_out',
    subject,
    lack: Math.round(found.values[variable]!),
    beside: beside.slice(0, MOST_BESIDE),
  };
}
