import type { ContainerProduct } from '@/core/fit';
import { formatLength, formatLitres, formatMoney, type Currency } from '@/core/shared';
import type { Offer, Shop } from '@/core/shop';
import { EditContainer, type CatalogueActs } from './EditContainer';
import { SideScroll } from '../primitives/SideScroll';

interface CatalogueTableProps {
  readonly containers: readonly ContainerProduct[];
  readonly offers: readonly Offer[];
  readonly shops: readonly Shop[];
  readonly currency: Currency;
  readonly acts: CatalogueActs;
}

/** The catalogue as rows to compare: sizes, litres, what it is of, and its offers. */
export function CatalogueTable({ containers, offers, shops, currency, acts }: CatalogueTableProps) {
  return (
    <SideScroll label="Containers and prices" className="panel border-t-4 border-t-rim max-md:px-3">
      <table className="stacks w-full text-[14px]">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            {['Container', 'Outside, cm', 'Inside', 'Of', 'Offers'].map((head) => (
              <th key={head} className="px-3 py-2 font-bold">
                {head}
              </th>
            ))}
            <th>
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {containers.map((container) => (
            <tr
              key={container.id}
              id={container.id}
              className="border-t border-line align-top target:bg-rim-wash"
            >
              <th scope="row" className="px-3 py-2 text-left font-[650] sm:min-w-[330px]">
                {container.name}
              </th>
              <td
                data-head="Outside, cm"
                className="px-3 py-2 font-mono text-[13.5px] whitespace-nowrap"
              >
                {[container.width, container.depth, container.height]
                  .map(({ mm }) => formatLength(mm, 'cm').replace(' cm', ''))
                  .join(' × ')}
              </td>
              <td
                data-head="Inside"
                className="px-3 py-2 font-mono text-[13.5px] whitespace-nowrap"
              >
                {formatLitres(container.innerLitres)}
              </td>
              <td data-head="Of" className="px-3 py-2 text-soft">
                {wordTraits(container)}
              </td>
              <td data-head="Offers" className="px-3 py-2">
                {wordOffers(container, offers, shops)}
              </td>
              <td className="px-1 py-1">
                <EditContainer
                  container={container}
                  offers={offers.filter(({ containerId }) => containerId === container.id)}
                  shops={shops}
                  currency={currency}
                  acts={acts}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </SideScroll>
  );
}

const wordTraits = ({ material, lid, clear, stackable }: ContainerProduct): string =>
  [material, lid && 'lid', clear && 'see-through', stackable && 'stacks']
    .filter(Boolean)
    .join(', ');

function wordOffers(
  container: ContainerProduct,
  offers: readonly Offer[],
  shops: readonly Shop[],
): string {
  const words = offers
    .filter((offer) => offer.containerId === container.id)
    .map((offer) => {
      const shop = shops.find(({ id }) => id === offer.shopId);
      const price = shop ? formatMoney(offer.priceMinor, shop.currency) : '';
      return `${price}${offer.packSize > 1 ? ` for ${offer.packSize}` : ''} at ${shop?.name ?? ''}`;
    });
  return words.join(' · ') || 'no price yet';
}
