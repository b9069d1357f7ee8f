import { createThingReader } from './createThingReader';
import type { OwnKindTold, ThingFound, ThingsAnswer, ThingsRequest } from './model';
import type { OwnKind } from './piece';
import { vocabulary } from './vocabulary';

const NOTHING: Omit<ThingFound, 'id' | 'name'> = {
  count: 0,
  unit: 'piece',
  kindId: null,
  groupId: null,
  litres: { value: 0, low: 0, high: 0, from: 'unknown' },
  massG: { value: 0, low: 0, high: 0, from: 'unknown' },
  reasons: [],
  cautions: [],
  goesTo: [],
  mustAsk: null,
  expiresOn: null,
};

/**
 * The engine `things`: an answer a line, in order. Deterministic.
 * Requires: a request as `thingsRequestSchema` gives it.
 */
export function readThings(request: ThingsRequest, clock: () => number): ThingsAnswer {
  const startedAt = clock();
  const read = createThingReader(vocabulary, request.kinds.map(toOwnKind), {
    groups: request.groups,
    mustAsk: request.mustAsk,
    bareUnit: request.units,
  });
  const things = request.lines.map(({ id, text }): ThingFound => {
    const found = read(text);
    if (!found) return { ...NOTHING, id, name: text.trim() };
    const { kindId, groupId, mustAsk, expiresOn, uprightMm, longestMm } = found;
    return {
      id,
      name: found.name,
      count: found.count,
      unit: found.unit,
      kindId: kindId ?? null,
      groupId: groupId ?? null,
      litres: found.litres,
      massG: found.massG,
      ...(uprightMm === undefined ? {} : { uprightMm }),
      ...(longestMm === undefined ? {} : { longestMm }),
      reasons: found.reasons,
      cautions: found.cautions,
      goesTo: found.goesTo,
      mustAsk: mustAsk ?? null,
      expiresOn: expiresOn ?? null,
    };
  });
  return { things, elapsedMs: clock() - startedAt };
}

/** What an organizer says of one piece holds within a tenth; a low and a high are taken as they are. */
const OWN_SPREAD = 1.1;
const toRange = (told: OwnKindTold['litres']) =>
  typeof told === 'number'
    ? { value: told, low: told / OWN_SPREAD, high: told * OWN_SPREAD }
    : { value: (told[0] + told[1]) / 2, low: told[0], high: told[1] };

const toOwnKind = ({ words, litres, massG, uprightMm, longestMm }: OwnKindTold): OwnKind => ({
  words,
  litres: toRange(litres),
  massG: toRange(massG),
  uprightMm,
  longestMm,
});
