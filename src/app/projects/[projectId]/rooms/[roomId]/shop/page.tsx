import Link from 'next/link';
import { notFound } from 'next/navigation';

import { undoAction } from '@/app/actions/projects';
import {
  addGiftCardAction,
  addHandNeedAction,
  addPurchaseAction,
  approveNeedAction,
  askShopAction,
  findSubstitutesAction,
  noteReturnAction,
  removeGiftCardAction,
  removeHandNeedAction,
  removePurchaseAction,
  removeReceiptAction,
  setPriorityAction,
  takeSubstituteAction,
} from '@/app/actions/shop';
import {
  approvalStateOf,
  cardLeftMinorOf,
  checkReceipt,
  findSoldOut,
  listOtherNeeds,
  priceLines,
  spentMinorOf,
} from '@/core/shop';
import { formatMoney } from '@/core/shared';
import { openRoom } from '@/server/desk/openRoom';
import { findSubstitutes } from '@/server/fit/wishes';
import { today } from '@/server/means';
import { leftoversOf, loadRoomShopping, planRoomShopping } from '@/server/shop/roomShopping';
import { buttonClass } from '@/ui/primitives/Button';
import { StepFrame } from '@/ui/shell/StepFrame';
import { AskShop } from '@/ui/shop/AskShop';
import { BoughtList } from '@/ui/shop/BoughtList';
import { BudgetBar } from '@/ui/shop/BudgetBar';
import { ByHand } from '@/ui/shop/ByHand';
import { GiftCards } from '@/ui/shop/GiftCards';
import { Leftovers } from '@/ui/shop/Leftovers';
import { NeedList, type NeedRow } from '@/ui/shop/NeedList';
import { OverBudget } from '@/ui/shop/OverBudget';
import { Receipts } from '@/ui/shop/Receipts';
import { ShopLists } from '@/ui/shop/ShopLists';
import { ShopPages } from '@/ui/shop/ShopPages';
import { SoldOut } from '@/ui/shop/SoldOut';
import { toShopLists } from '@/ui/shop/toShopLists';
import { Wishes } from '@/ui/shop/Wishes';

export const metadata = { title: 'Shop' };

/** Substitutes that are worked out with the page; for more sold-out containers they are asked for one by one. */
const FOUND_AT_ONCE = 2;

export default async function ShopPage({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}) {
  const { projectId, roomId } = await params;
  const opened = await openRoom(
    projectId,
    roomId,
    'approvals',
    'fitWishes',
    'giftCards',
    'receipts',
  );
  if (!opened) notFound();
  const { db, records, own, here } = opened;
  const shopping = await loadRoomShopping(db, records, own.room.id);
  const plan = await planRoomShopping(shopping);
  const { answer, request } = plan;
  const { currency } = records.project;
  const place = { projectId, roomId };
  const spentMinor = spentMinorOf(own.purchases);
  const lines = priceLines(request, answer, own.purchases);
  const toRow = (
    need: {
      readonly id: string;
      readonly name: string;
      readonly qty: number;
      readonly hadQty: number;
      readonly priority: NeedRow['priority'];
    },
    from: NeedRow['from'],
  ): NeedRow => {
    const lineMinor = lines.find(({ needId }) => needId === need.id)?.lineMinor ?? 0;
    return {
      needId: need.id,
      name: need.name,
      qty: need.qty,
      hadQty: need.hadQty,
      from,
      priority: need.priority,
      lineMinor,
      shortQty:
        answer.status === 'infeasible'
          ? 0
          : (answer.met.find(({ needId }) => needId === need.id)?.short ?? 0),
      approval: approvalStateOf(
        records.approvals.find(
          (approval) => approval.roomId === roomId && approval.needId === need.id,
        ),
        lineMinor,
      ),
    };
  };
  const needs = [
    ...plan.needs.map(({ container, ...need }) =>
      toRow(
        { ...need, id: container.id, name: container.name },
        container.projectId === null ? 'fit' : 'owned',
      ),
    ),
    ...listOtherNeeds(shopping).map((need) =>
      toRow(need, shopping.handNeeds.some(({ id }) => id === need.id) ? 'hand' : 'material'),
    ),
  ];
  const lists = toShopLists(request, answer, {
    offers: shopping.offers,
    materialNeeds: shopping.materialNeeds,
    cardLeftOf: (shopId) => {
      const shop = shopping.shops.find(({ id }) => id === shopId);
      return shop ? cardLeftMinorOf(shop, shopping) : 0;
    },
  });
  const shops = shopping.shops.filter((shop) => shop.currency === currency);
  const soldOut = findSoldOut(plan.needs, shopping.offers);
  const instead = await Promise.all(
    soldOut.map(async ({ container }, i) => ({
      containerId: container.id,
      name: container.name,
      instead:
        i < FOUND_AT_ONCE
          ? await findSubstitutes(db, records, {
              containerId: container.id,
              bayIds: new Set(own.fits.map(({ bayId }) => bayId)),
            })
          : undefined,
    })),
  );
  const checkedAt =
    shopping.offers
      .map((offer) => offer.checkedAt ?? '')
      .sort()
      .at(-1) ?? '';
  return (
    <StepFrame
      step="shop"
      project={records.project}
      desk={opened.desk}
      room={own.room}
      progress={here.progress}
      undo={opened.undo}
      onUndo={undoAction}
      tray={
        <>
          <ShopTray
            statusWords={proofWords(answer.status)}
            otherShops={plan.otherCurrencyShopNames}
            currency={currency}
          />
          <AskShop checkedAt={checkedAt === '' ? null : checkedAt} onAsk={askShopAction} />
          <GiftCards
            cards={records.giftCards.map((card) => ({
              ...card,
              shopName: shops.find(({ id }) => id === card.shopId)?.name ?? '',
            }))}
            shops={shops}
            currency={currency}
            onAdd={addGiftCardAction.bind(null, projectId)}
            onRemove={removeGiftCardAction.bind(null, projectId)}
          />
        </>
      }
    >
      <ShopPages projectId={projectId} roomId={roomId} active="" />
      <h1 className="mb-3 text-[24px]">Shopping list, {own.room.name.toLowerCase()}</h1>
      {needs.length === 0 && own.purchases.length === 0 ? (
        <div className="grid gap-3.5">
          <p className="panel border-t-4 border-t-rim p-6 text-[17px]">
            The list follows from the fits that are taken.{' '}
            <Link
              className={buttonClass('main', 'ml-2')}
              href={`/projects/${projectId}/rooms/${roomId}/fit`}
            >
              Fit a place out
            </Link>
          </p>
          <ByHand shops={shops} currency={currency} onAdd={addHandNeedAction.bind(null, place)} />
        </div>
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-3.5">
          <section className="panel border-t-4 border-t-rim p-4">
            <BudgetBar
              spentMinor={spentMinor}
              plannedMinor={answer.leastBudgetMinor ?? answer.payMinor}
              budgetMinor={own.room.budgetMinor}
              currency={currency}
            />
          </section>
          {answer.status === 'infeasible' && (
            <OverBudget
              request={request}
              answer={answer}
              waysBack={plan.waysBack}
              currency={currency}
            />
          )}
          <SoldOut
            rows={instead}
            currency={currency}
            onFind={findSubstitutesAction.bind(null, place)}
            onTake={takeSubstituteAction.bind(null, projectId)}
          />
          <Leftovers
            leftovers={leftoversOf(records, shopping, own.room.id)}
            rooms={records.rooms}
          />
          <ShopLists
            lists={lists}
            currency={currency}
            onBuy={addPurchaseAction.bind(null, place)}
          />
          {lists.length === 0 && answer.status !== 'infeasible' && (
            <p className="panel p-4">Everything on the list is here. Nothing is left to buy.</p>
          )}
          {needs.length > 0 && (
            <section className="panel px-4 py-3">
              <h2 className="mb-1 text-[17px]">What the room calls for</h2>
              <NeedList
                needs={needs}
                currency={currency}
                onApprove={approveNeedAction.bind(null, place)}
                onPriority={setPriorityAction.bind(null, place)}
                onRemove={removeHandNeedAction.bind(null, projectId)}
              />
            </section>
          )}
          <Wishes request={request} wishes={plan.wishes} currency={currency} />
          <ByHand shops={shops} currency={currency} onAdd={addHandNeedAction.bind(null, place)} />
          {own.purchases.length > 0 && (
            <section className="panel px-4 py-3">
              <h2 className="mb-1 text-[17px]">Bought, {formatMoney(spentMinor, currency)}</h2>
              <BoughtList
                purchases={own.purchases}
                currency={currency}
                onRemove={removePurchaseAction.bind(null, projectId)}
                onReturn={noteReturnAction.bind(null, projectId)}
              />
            </section>
          )}
          <Receipts
            projectId={projectId}
            roomId={roomId}
            receipts={records.receipts.map((receipt) => {
              const { purchases, ...check } = checkReceipt(receipt, records.purchases);
              return { ...receipt, ...check, lineCount: purchases.length };
            })}
            shopNames={shops.map(({ name }) => name)}
            today={today()}
            currency={currency}
            onRemove={removeReceiptAction.bind(null, projectId)}
          />
        </div>
      )}
    </StepFrame>
  );
}

function proofWords(status: 'optimal' | 'feasible' | 'infeasible'): string {
  if (status === 'optimal')
    return 'No cheaper way exists in these offers: every pack size, shop and delivery was weighed.';
  if (status === 'feasible')
    return 'This is the best way found in the time given; a cheaper one was not ruled out.';
  return '';
}

function ShopTray({
  statusWords,
  otherShops,
  currency,
}: {
  statusWords: string;
  otherShops: readonly string[];
  currency: string;
}) {
  return (
    <>
      {statusWords !== '' && (
        <section>
          <h2 className="caption mb-1 font-text">How sure is that</h2>
          <p className="text-[14.5px]">{statusWords}</p>
        </section>
      )}
      {otherShops.length > 0 && (
        <p className="text-[13.5px] text-soft">
          {otherShops.join(', ')} price in another currency than {currency} and are left out.
        </p>
      )}
      <Link className="text-[14.5px] text-rim underline underline-offset-3" href="/containers">
        Containers and prices
      </Link>
    </>
  );
}
