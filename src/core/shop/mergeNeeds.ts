import type { Need, ShopRequest } from './model';

/** Needs of several rooms that the same offers serve, wanted as much: for the shop they are one. */
export interface NeedClass {
  readonly id: string;
  readonly needs: readonly Need[];
}

const servedBy = (request: ShopRequest): ReadonlyMap<string, string> => {
  const offers = new Map<string, number[]>();
  request.offers.forEach(({ needId, needIds }, i) => {
    for (const id of needIds ?? (needId === undefined ? [] : [needId]))
      offers.set(id, [...(offers.get(id) ?? []), i]);
  });
  return new Map([...offers].map(([id, list]) => [id, list.join(' ')]));
};

/** Classes of needs in the order of their first need; what no offer serves stays by itself. */
export function classesOf(request: ShopRequest): NeedClass[] {
  const served = servedBy(request);
  const classes = new Map<string, Need[]>();
  for (const need of request.needs) {
    const offers = served.get(need.id);
    const key =
      offers === undefined ? `need ${need.id}` : `${need.priority} ${need.value} ${offers}`;
    classes.set(key, [...(classes.get(key) ?? []), need]);
  }
  return [...classes.values()].flatMap((needs) => {
    const [first] = needs;
    return first ? [{ id: first.id, needs }] : [];
  });
}

/**
 * The same request with one need a class, without rooms: packs are then shared between rooms by
 * themselves. Ensures: its best answer costs as much and is worth as much as that of the request.
 */
export function mergeNeeds(request: ShopRequest, classes: readonly NeedClass[]): ShopRequest {
  const classOf = new Map(
    classes.flatMap(({ id, needs }) => needs.map((need) => [need.id, id] as const)),
  );
  const { rooms: _rooms, ...rest } = request;
  return {
    ...rest,
    needs: classes.flatMap(({ id, needs }) => {
      const [first] = needs;
      return first
        ? [
            {
              id,
              name: first.name,
              priority: first.priority,
              value: first.value,
              qty: needs.reduce((sum, { qty }) => sum + qty, 0),
            },
          ]
        : [];
    }),
    offers: request.offers.map(({ needId, needIds, ...offer }) => {
      const ids = [
        ...new Set(
          (needIds ?? (needId === undefined ? [] : [needId])).map((id) => classOf.get(id) ?? id),
        ),
      ];
      return ids.length === 1 ? { ...offer, needId: ids[0] } : { ...offer, needIds: ids };
    }),
    owned: classes.flatMap(({ id, needs }) => {
      // What one room owns too much of does not serve another: owned pieces are of a need.
      const qty = needs.reduce(
        (sum, need) =>
          sum +
          Math.min(need.qty, request.owned.find(({ needId }) => needId === need.id)?.qty ?? 0),
        0,
      );
      return qty > 0 ? [{ needId: id, qty }] : [];
    }),
  };
}
