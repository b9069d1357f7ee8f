import type { ContainerNeed } from './listNeeds';
import type { Offer } from './records';

/**
 * What is still wanted and cannot be had: the stock that shops gave holds less than is wanted. An
 * offer whose stock
 * nobody knows counts as enough, so that a price list kept by hand never looks sold out.
 */
export function findSoldOut(
  needs: readonly ContainerNeed[],
  offers: readonly Offer[],
): ContainerNeed[] {
  return needs.filter(({ container, qty, hadQty }) => {
    const own = offers.filter(({ containerId }) => containerId === container.id);
    const inStock = own.reduce(
      (sum, offer) => sum + (offer.inStock ?? Infinity) * offer.packSize,
      0,
    );
    return container.projectId === null && own.length > 0 && inStock < qty - hadQty;
  });
}
