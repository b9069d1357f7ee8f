import { insideOf, litresIn, overRimMm } from './contents';
import type { FitAnswer, FitContainer, FitGroup, FitReason, FitRequest, Placement } from './model';
import { findBayFault, findGroupFault, type FitPin, type FitQuestion } from './suitability';

/** Sets what belongs to one kind or one group apart in ids of the engine's own. */
export const MARK = '\u0001';
const NO_COLOUR = '\u0001no colour is left';

/** A question that says nothing but sizes and litres, and how its answer is told again. */
export interface Unfolded {
  readonly question: FitQuestion;
  /** Groups of which each kind should stand in containers alike, with the kinds' ids. */
  readonly alike: readonly { readonly group: FitGroup; readonly kindIds: readonly string[] }[];
  readonly fold: (answer: FitAnswer) => FitAnswer;
}

/**
 * Says in sizes and litres what is asked in other words: each kind a group of its own; pieces as the litres that a
 * container of theirs holds;
 * what reaches over a rim a container as high; what is left over one that costs nothing;
 * a colour for each person; no pack larger than its jar, where there is such a jar; the bay
 * without its false floor, not deeper than its door lets it be, and with its lip to lift over.
 */
export function unfold(request: FitQuestion): Unfolded {
  const inBay = standInBay(spareApart(request));
  const poured = pourWhole(inBay);
  const coloured = colourOwners(standOverRim(poured.question));
  const { question, alike } = splitKinds(countPieces(coloured));
  const falseFloor = request.bay.falseFloor ?? 0;
  const back = (answer: FitAnswer): FitAnswer => {
    const placements = answer.placements.map((placement) => foldPlacement(placement, falseFloor));
    const unmet = new Map<string, number>();
    for (const { groupId, litres } of answer.unmet)
      unmet.set(plainId(groupId), (unmet.get(plainId(groupId)) ?? 0) + litres);
    return {
      ...answer,
      placements,
      ...(answer.surfaces && {
        surfaces: answer.surfaces.map((surface) => ({
          ...surface,
          containerId: plainId(surface.containerId),
          z: surface.z + falseFloor,
        })),
      }),
      unmet: [...unmet].map(([groupId, litres]) => ({ groupId, litres })),
      reasons: [...foldReasons(answer.reasons), ...poured.left],
    };
  };
  return { question, alike, fold: back };
}

/** The request's own id of what stands for it. */
export const plainId = (id: string): string => id.split(MARK)[0] ?? id;

function foldPlacement(placement: Placement, falseFloor: number): Placement {
  const kind = placement.groupId.split(MARK)[1];
  return {
    ...placement,
    containerId: plainId(placement.containerId),
    groupId: plainId(placement.groupId),
    z: placement.z + falseFloor,
    ...(kind === undefined ? {} : { kind: Number(kind) }),
  };
}

/** A reason a subject: of the kinds of a group, and of what stands for a container, the first; shortages add up. */
function foldReasons(reasons: readonly FitReason[]): FitReason[] {
  const folded = new Map<string, FitReason>();
  for (const reason of reasons) {
    const subject = plainId(reason.subject);
    const known = folded.get(subject);
    const next = {
      ...reason,
      subject,
      ...('groupId' in reason ? { groupId: plainId(reason.groupId) } : {}),
    } as FitReason;
    if (known?.code === 'not_enough_floor' && next.code === 'not_enough_floor')
      folded.set(subject, { ...known, litres: known.litres + next.litres });
    else if (!known) folded.set(subject, next);
  }
  return [...folded.values()];
}

/** What is left over as a container of its own that costs nothing, the rest at its price. */
function spareApart(question: FitQuestion): FitQuestion {
  const spares = question.containers.filter(
    ({ spare = 0, priceMinor, available = 1 }) => spare > 0 && priceMinor > 0 && available > 0,
  );
  if (spares.length === 0) return question;
  const spareId = (id: string): string => [id, 'spare'].join(MARK);
  const isSpare = (containerId: string): boolean => spares.some(({ id }) => id === containerId);
  return {
    ...question,
    containers: question.containers.flatMap((container): FitContainer[] => {
      const { spare = 0, ...rest } = container;
      if (!isSpare(container.id)) return [container];
      const free = Math.min(spare, container.available ?? spare);
      return [
        { ...rest, id: spareId(container.id), priceMinor: 0, available: free },
        container.available === undefined
          ? rest
          : { ...rest, available: container.available - free },
      ];
    }),
    pins: (question.pins ?? []).flatMap((pin) =>
      isSpare(pin.containerId) ? [pin, { ...pin, containerId: spareId(pin.containerId) }] : [pin],
    ),
  };
}

function standInBay(request: FitQuestion): FitQuestion {
  const { falseFloor = 0, onDoor, lip = 0, openingBottom = 0, ...bay } = request.bay;
  const overMm = Math.max(lip, openingBottom);
  if (falseFloor === 0 && !onDoor && overMm === 0) return request;
  const maxLoadG = Math.min(bay.maxLoadG ?? Infinity, onDoor?.maxLoadG ?? Infinity);
  return {
    ...request,
    clearances: {
      ...request.clearances,
      // Standing on a false floor, less of the lip is left to lift over.
      top: Math.max(request.clearances.top, overMm - falseFloor),
    },
    bay: {
      ...bay,
      depth: Math.min(bay.depth, onDoor?.swing ?? bay.depth),
      height: Math.max(1, bay.height - falseFloor),
      ...(bay.bottom === undefined ? {} : { bottom: bay.bottom + falseFloor }),
      ...(maxLoadG === Infinity ? {} : { maxLoadG }),
      obstacles: (bay.obstacles ?? []).flatMap((box) => {
        const top = box.z + box.height - falseFloor;
        const z = Math.max(0, box.z - falseFloor);
        return top > z ? [{ ...box, z, height: top - z }] : [];
      }),
    },
  };
}

/**
 * For each group that reaches over a rim its own copy of every container that it does so in, as high as what stands in
 * it; in the others it stands within. What there are few of is given out once: to the groups in their order, what is
 * left to all.
 */
function standOverRim(question: FitQuestion): FitQuestion {
  // What is counted by pieces is counted within.
  const tall = question.groups.filter(
    ({ overRim, tallestMm, pieces }) => overRim && tallestMm && !pieces,
  );
  if (tall.length === 0) return question;
  const left = new Map(question.containers.map(({ id, available }) => [id, available]));
  const onlyFor = new Map(question.onlyFor);
  const pins: FitPin[] = [...(question.pins ?? [])];
  const copies = tall.flatMap((group) =>
    question.containers.flatMap((container): FitContainer[] => {
      const over = overRimMm(container, group) ?? 0;
      if (over <= 0 || findGroupFault(container, group) || !isPinned(question, container, group))
        return [];
      const id = [container.id, 'over', group.id].join(MARK);
      onlyFor.set(id, group.id);
      if (pins.some(({ groupId }) => groupId === group.id))
        pins.push({ groupId: group.id, containerId: id });
      const there = left.get(container.id);
      const wanted = Math.ceil(group.litres / Math.max(1e-9, litresIn(container, group)) - 1e-9);
      const given = there === undefined ? undefined : Math.min(there, wanted);
      if (there !== undefined) left.set(container.id, there - (given ?? 0));
      const { width, depth } = insideOf(container);
      const { outer, innerHeight } = container;
      return [
        {
          ...container,
          id,
          outer: { ...outer, height: outer.height + over },
          innerHeight: innerHeight + over,
          innerWidth: width,
          innerDepth: depth,
          stackable: false,
          ...(given === undefined ? {} : { available: given }),
        },
      ];
    }),
  );
  return {
    ...question,
    groups: question.groups.map(({ overRim: _overRim, ...group }) => group),
    containers: [
      ...question.containers.map((container) => {
        const there = left.get(container.id);
        return there === undefined ? container : { ...container, available: there };
      }),
      ...copies,
    ],
    pins,
    onlyFor,
  };
}

/** Where no container takes a whole pack, what is poured says what stays in it. */
function pourWhole(question: FitQuestion): {
  readonly question: FitQuestion;
  readonly left: readonly FitReason[];
} {
  const left: FitReason[] = [];
  const groups = question.groups.map((group): FitGroup => {
    const { pour, ...rest } = group;
    if (!pour) return group;
    const suiting = question.containers.filter(
      (container) =>
        findBayFault(question, container) === undefined &&
        findGroupFault(container, rest) === undefined,
    );
    const most = Math.max(0, ...suiting.map(({ innerLitres }) => innerLitres));
    if (most === 0 || most >= pour.packLitres - 1e-9) return group;
    left.push({ code: 'pack_left', subject: group.id, litres: pour.packLitres - most });
    return rest;
  });
  return { question: { ...question, groups }, left };
}

/**
 * Each person gets the colour in which their groups cost least, no two the same; the dearest to place chooses first.
 * Who finds none left stands in none.
 */
function colourOwners(question: FitQuestion): FitQuestion {
  const owners = [...new Set(question.groups.flatMap(({ ownerId }) => ownerId ?? []))];
  if (owners.length === 0) return question;
  const colours = [
    ...new Set(question.containers.flatMap(({ colour }) => (colour ? [colour] : []))),
  ];
  const costOf = (ownerId: string, colour: string): number =>
    question.groups
      .filter((group) => group.ownerId === ownerId)
      .reduce((sum, group) => {
        const rates = question.containers
          .filter(
            (container) =>
              findBayFault(question, container) === undefined &&
              findGroupFault(container, { ...group, colour: group.colour ?? colour }) ===
                undefined &&
              container.colour === colour,
          )
          .map((container) => container.priceMinor / Math.max(1e-9, litresIn(container, group)));
        return sum + group.litres * Math.min(Infinity, ...rates);
      }, 0);
  const chosen = assign(owners, colours, costOf);
  return {
    ...question,
    groups: question.groups.map((group) =>
      group.ownerId === undefined
        ? group
        : { ...group, colour: group.colour ?? chosen.get(group.ownerId) ?? NO_COLOUR },
    ),
  };
}

/** To each its own at the least sum: by trying where they are few, else one after the other. */
function assign(
  owners: readonly string[],
  colours: readonly string[],
  costOf: (ownerId: string, colour: string) => number,
): ReadonlyMap<string, string> {
  let best: { readonly sum: number; readonly given: readonly (string | undefined)[] } = {
    sum: Infinity,
    given: [],
  };
  let steps = 0;
  // Without a colour it counts more than any money.
  const NONE = 1e12;
  const visit = (i: number, sum: number, given: readonly (string | undefined)[]): void => {
    steps += 1;
    if (sum >= best.sum || steps > MOST_ASSIGNED) return;
    const owner = owners[i];
    if (owner === undefined) {
      best = { sum, given };
      return;
    }
    const open = colours
      .filter((colour) => !given.includes(colour))
      .map((colour) => ({ colour, cost: costOf(owner, colour) }))
      .filter(({ cost }) => cost < Infinity)
      .sort((a, b) => a.cost - b.cost);
    for (const { colour, cost } of open) visit(i + 1, sum + cost, [...given, colour]);
    visit(i + 1, sum + NONE, [...given, undefined]);
  };
  visit(0, 0, []);
  return new Map(
    owners.flatMap((owner, i) => {
      const colour = best.given[i];
      return colour === undefined ? [] : [[owner, colour] as const];
    }),
  );
}
const MOST_ASSIGNED = 20_000;

/** For each group of pieces its own copy of every container, with the litres that its pieces make in it. */
function countPieces(question: FitQuestion): FitQuestion {
  const counted = question.groups.filter(({ pieces }) => pieces);
  if (counted.length === 0) return question;
  const onlyFor = new Map(question.onlyFor);
  const pins: FitPin[] = [];
  // What there are few of is given out once: to the groups in their order, then to all that is not counted.
  const left = new Map(question.containers.map(({ id, available }) => [id, available]));
  const copies = counted.flatMap((group) =>
    question.containers
      .filter(
        (container) =>
          (onlyFor.get(container.id) ?? group.id) === group.id &&
          findGroupFault(container, group) === undefined &&
          isPinned(question, container, group),
      )
      .map((container): FitContainer => {
        const id = `${container.id}${MARK}${group.id}`;
        const innerLitres = litresIn(container, group);
        onlyFor.set(id, group.id);
        pins.push({ groupId: group.id, containerId: id });
        const there = left.get(container.id);
        const given =
          there === undefined
            ? undefined
            : Math.min(there, Math.ceil(group.litres / Math.max(1e-9, innerLitres) - 1e-9));
        if (there !== undefined) left.set(container.id, there - (given ?? 0));
        // Its sizes inside stay, whatever its litres are now.
        const { width, depth } = insideOf(container);
        return {
          ...container,
          id,
          innerLitres,
          innerWidth: width,
          innerDepth: depth,
          ...(given === undefined ? {} : { available: given }),
        };
      }),
  );
  const isCounted = (groupId: string) => counted.some(({ id }) => id === groupId);
  return {
    ...question,
    containers: [
      ...question.containers.map((container) => {
        const there = left.get(container.id);
        return there === undefined ? container : { ...container, available: there };
      }),
      ...copies,
    ],
    pins: [...(question.pins ?? []).filter(({ groupId }) => !isCounted(groupId)), ...pins],
    onlyFor,
  };
}

function isPinned({ pins = [] }: FitQuestion, container: FitContainer, group: FitGroup): boolean {
  const own = pins.filter(({ groupId }) => groupId === group.id);
  return own.length === 0 || own.some(({ containerId }) => containerId === container.id);
}

function splitKinds(question: FitQuestion): Pick<Unfolded, 'question' | 'alike'> {
  const alike: { readonly group: FitGroup; readonly kindIds: readonly string[] }[] = [];
  const pins: FitPin[] = [...(question.pins ?? [])];
  const groups = question.groups.flatMap((group): FitGroup[] => {
    const { kinds, ...rest } = group;
    if (!kinds) return [group];
    const kindIds = kinds.map((_, i) => `${group.id}${MARK}${i}`);
    alike.push({ group, kindIds });
    for (const pin of question.pins ?? [])
      if (pin.groupId === group.id) pins.push(...kindIds.map((groupId) => ({ ...pin, groupId })));
    return kinds.map(({ name, litres }, i) => ({
      ...rest,
      id: kindIds[i]!,
      name,
      litres,
      massG: group.massG === undefined ? litres * 300 : (group.massG * litres) / group.litres,
      of: group.id,
    }));
  });
  return { question: { ...question, groups, pins }, alike };
}

/** Whether a question says nothing that is to be unfolded. */
export const isPlain = ({ bay, groups, containers }: FitRequest): boolean =>
  containers.every(({ spare }) => !spare) &&
  bay.falseFloor === undefined &&
  bay.onDoor === undefined &&
  bay.lip === undefined &&
  bay.openingBottom === undefined &&
  groups.every(
    ({ kinds, pieces, ownerId, pour, overRim }) =>
      !kinds && !pieces && ownerId === undefined && !pour && !overRim,
  );
