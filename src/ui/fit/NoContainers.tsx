import type { Currency } from '@/core/shared';
import { buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';

/** Where a fit is asked for and nothing is known that could go in: where containers are put down. */
export const NoContainers = ({ currency }: { readonly currency: Currency }) => (
  <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
    There is no container to choose from in {currency}. Add what the home has, a price list, or
    samples to try it with.{' '}
    <Link className={buttonClass('main', 'ml-2')} href="/containers">
      Containers and prices
    </Link>
  </p>
);
