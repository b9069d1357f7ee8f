import { RoomFrame } from '@/app/RoomFrame';
import {
  addGiftCardAction,
  addHandNeedAction,
  askShopAction,
  findSubstitutesAction,
  noteReturnAction,
  noteShortageAction,
  removeGiftCardAction,
  removeHandNeedAction,
  removePurchaseAction,
  removeReceiptAction,
  setPriorityAction,
  takeSubstituteAction,
} from '@/app/actions/shop';
import { lastSaidOfLine } from '@/core/client';
import type { FirmLearned } from '@/core/learn';
import { formatMoney } from '@/core/shared';
import { checkReceipt, spentMinorOf, type Shop, type ShopAnswer } from '@/core/shop';
import type { OpenRoom } from '@/server/desk/openRoom';
import { today } from '@/server/means';
import type { ShopView } from '@/server/shop/shopView';
import { LearntNote } from '@/ui/learn/LearntNote';
import { shopNotes } from '@/ui/learn/learnWords';
import { buttonClass } from '@/ui/primitives/Button';
import { KnownNote } from '@/ui/shell/KnownNote';
import { AskShop } from '@/ui/shop/AskShop';
import { BoughtList } from '@/ui/shop/BoughtList';
import { BudgetBar } from '@/ui/shop/BudgetBar';
import { ByHand } from '@/ui/shop/ByHand';
import { GiftCards } from '@/ui/shop/GiftCards';
import { Leftovers } from '@/ui/shop/Leftovers';
import { NeedList } from '@/ui/shop/NeedList';
import { OverBudget } from '@/ui/shop/OverBudget';
import { Receipts } from '@/ui/shop/Receipts';
import { RoomLists } from '@/ui/shop/RoomLists';
import { StepPages } from '@/ui/shell/StepPages';
import { NotToBeHad } from '@/ui/shop/NotToBeHad';
import { toShopLists } from '@/ui/shop/toShopLists';
import { Wishes } from '@/ui/shop/Wishes';
import { Link } from '@/ui/primitives/Link';

interface ShopScreenProps {
  readonly opened: OpenRoom<
    'approvals' | 'clientAnswers' | 'fitWishes' | 'giftCards' | 'receipts' | 'shortages'
  >;
  readonly shops: readonly Shop[];
  readonly view: ShopView;
  readonly learned: FirmLearned;
  /** When this was worked out, where a newer answer is on its way. */
  readonly knownAt: string | undefined;
}

/** A room's shopping, laid out; everything it shows was worked out before. */
export function ShopScreen({ opened, shops, view, learned, knownAt }: ShopScreenProps) {
  const { records, own } = opened;
  const { answer, request, needs } = view;
  const { currency } = records.project;
  const projectId = records.project.id;
  const roomId = own.room.id;
  const place = { projectId, roomId };
  const spentMinor = spentMinorOf(own.purchases);
  const lists = toShopLists(request, answer, {
    offers: view.offers,
    materialNeeds: view.materialNeeds,
    cardLeftOf: (shopId) => view.cardLeftMinor[shopId] ?? 0,
  });
  return (
    <RoomFrame
      step="shop"
      opened={opened}
      tray={
        <>
          <ShopTray
            statusWords={proofWords(answer.status)}
            otherShops={view.otherCurrencyShopNames}
            currency={currency}
          />
          <LearntNote notes={shopNotes(learned)} />
          <AskShop checkedAt={view.checkedAt} onAsk={askShopAction} />
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
      <StepPages scope={{ projectId, roomId }} step="shop" active="" />
      <h1 className="mb-3 text-[24px]">Shopping list, {own.room.name.toLowerCase()}</h1>
      {knownAt !== undefined && <KnownNote knownAt={knownAt} />}
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
          {answer.objective === null && (
            <OverBudget
              request={request}
              answer={answer}
              waysBack={view.waysBack}
              currency={currency}
            />
          )}
          <NotToBeHad
            rows={view.lacking}
            said={view.shortages}
            currency={currency}
            onFind={findSubstitutesAction.bind(null, place)}
            onTake={takeSubstituteAction.bind(null, projectId)}
            onThere={noteShortageAction.bind(null, place, false)}
          />
          <Leftovers leftovers={view.leftovers} rooms={records.rooms} />
          <RoomLists lists={lists} currency={currency} />
          {lists.length === 0 && answer.objective !== null && view.lacking.length === 0 && (
            <p className="panel p-4">Everything on the list is here. Nothing is left to buy.</p>
          )}
          {needs.length > 0 && (
            <section className="panel px-4 py-3">
              <h2 className="mb-1 text-[17px]">What the room calls for</h2>
              <NeedList
                needs={needs.map((need) => ({
                  ...need,
                  said: lastSaidOfLine(records.clientAnswers, { roomId, needId: need.needId }),
                }))}
                answersHref={`/projects/${projectId}/home/show/client`}
                currency={currency}
                onPriority={setPriorityAction.bind(null, place)}
                onRemove={removeHandNeedAction.bind(null, projectId)}
              />
            </section>
          )}
          <Wishes request={request} wishes={view.wishes} currency={currency} />
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
    </RoomFrame>
  );
}

function proofWords(status: ShopAnswer['status']): string {
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
