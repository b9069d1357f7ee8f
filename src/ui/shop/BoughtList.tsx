'use client';

import { format } from 'date-fns';
import { useRouter } from 'next/navigation';

import { formatMoney, type Currency } from '@/core/shared';
import type { Purchase } from '@/core/shop';
import type { ActionResult } from '../actionResult';

/** What is bought already, with what was paid; a line can be taken back. */
export function BoughtList({ purchases, currency, onRemove }: { purchases: readonly Purchase[]; currency: Currency; onRemove: (purchaseId: string) => Promise<ActionResult> }) {
  const router = useRouter();
  return (
    <ul className="divide-y divide-line">
      {purchases.map((purchase) => (
        <li key={purchase.id} className="flex flex-wrap items-center gap-x-4 py-1.5 text-[14px]">
          <span className="min-w-[180px] flex-1">{purchase.label} <span className="text-soft">· {purchase.shopName}, {format(new Date(purchase.boughtAt), 'd MMM')}</span></span>
          <span className="font-mono">{formatMoney(purchase.paidMinor, currency)}</span>
          <button type="button" className="no-print min-h-9 text-[13.5px] text-rim underline underline-offset-3 max-md:min-h-11" onClick={() => void onRemove(purchase.id).then(() => router.refresh())}>not bought</button>
        </li>
      ))}
    </ul>
  );
}
