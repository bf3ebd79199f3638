'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from '#translations';
import { MIB_PER_GB } from '@/core/memory/capacity';
import { moduleText } from '@/core/memory/module-words';
import { Button } from '../../kit/button';
import { PageLink } from '../../kit/page-link';
import { moneyText } from '../../words/amounts';
import type { MarketOffer } from '../listed-offer';
import { PriceLine } from '../price-line';
import { type ShownFeed, sickText } from '../sellers/feed-words';
import { offerDeliveryText, ratingsText } from './market-words';
import { PAGE } from './use-market';

const ROW_PX = 54;
/** A browser draws nothing taller than this, pixels; a shelf that is longer is cut and says so. */
const TALLEST_PX = 30_000_000;

const COLUMNS =
  'grid grid-cols-[minmax(0,1fr)_6.5rem_4.5rem_6.5rem_6.5rem_7.5rem] gap-3 items-center px-4 max-[1100px]:grid-cols-[minmax(0,1fr)_4.5rem_6.5rem_6.5rem_7.5rem] max-[860px]:grid-cols-[minmax(0,1fr)_6rem_7.5rem] max-[620px]:grid-cols-[minmax(0,1fr)_6rem_4.5rem]';

interface RowProps {
  offer: MarketOffer;
  /** how old its price may be, where its seller's feed is sick */
  age: string | null;
  currency: string;
  mayPrice: boolean;
  /** null: its prices may not be seen */
  onOpen: (() => void) | null;
  /** null: it may not be edited */
  onEdit: (() => void) | null;
  /** null: there is no job to compose for */
  onCompose: (() => void) | null;
}

function Row({ offer, age, currency, mayPrice, onOpen, onEdit, onCompose }: RowProps) {
  const t = useTranslations('offers');
  const tTrade = useTranslations('trade');
  const { title, modules, module, origin, sellerName, stock, leadDays, page } = offer;
  const gb = (modules * module.capacityMiB) / MIB_PER_GB;
  const seller = `${sellerName ?? t('offer.stock')}${offer.marketplace ? t('offer.marketplace') : ''}`;
  const ratings = ratingsText(t, offer);
  return (
    <>
      <span className="min-w-0 flex gap-2 items-center justify-between">
        <span className="min-w-0">
          <span className="block font-medium truncate">
            {page === null ? (
              title
            ) : (
              <PageLink page={page} title={title}>
                {title}
              </PageLink>
            )}
            {age !== null && <span className="ml-2 text-mind font-normal">△ {age}</span>}
          </span>
          <span className="block text-ink-2 truncate">
            {tTrade(`origins.${origin}`)}
            {offer.originalOf !== null && t('offer.of', { originalOf: offer.originalOf })}
            {offer.everyModel && t('offer.allModels')}
            {!offer.everyModel && offer.madeFor.length > 0 && t('offer.for', { value: offer.madeFor.join(', ') })}
            {offer.origin === 'original' && !offer.everyModel && offer.madeFor.length === 0 && t('offer.noModel')}
            {offer.origin === 'original' && module.part != null && `, ${module.part}`} · {seller}
            {ratings} · {modules > 1 && `${modules} × `}
            {moduleText(module)}
            {module.ranks != null && t('offer.ranks', { ranks: module.ranks })}
            {module.heightMm != null && `, ${module.heightMm} mm`}
          </span>
        </span>
        {onCompose !== null && (
          <Button
            weight="quiet"
            className="shrink-0"
            onClick={onCompose}
            aria-label={t('offer.composeWith', { title })}
          >
            <span className="max-[620px]:hidden">{t('offer.compose')}</span>
            <span aria-hidden="true" className="min-[621px]:hidden">
              +
            </span>
          </Button>
        )}
      </span>
      <span className="max-[1100px]:hidden">
        <PriceLine history={offer.history} />
      </span>
      <span className="text-right text-ink-2 max-[860px]:hidden">
        <span className="block">{offerDeliveryText(t, leadDays)}</span>
        {stock !== null && (
          <span className={stock === 0 ? 'text-mind' : ''}>
            {stock === 0 ? t('offer.noneLeft') : t('offer.left', { stock })}
          </span>
        )}
      </span>
      <span className="text-right max-[860px]:hidden text-ink-2">
        {offer.costCents !== null &&
          t.rich('offer.cost', {
            e0: () => (
              <span className="block">
                {t('offer.wePay', { costCents: moneyText(offer.costCents ?? 0, currency) })}
              </span>
            ),
            gb: moneyText(Math.round(offer.costCents / gb), currency),
          })}
      </span>
      <span className="text-right">
        <span className="block font-semibold">{moneyText(offer.sellCents, currency)}</span>
        <span className="text-ink-2">
          {t('offer.perGb', { gb: moneyText(Math.round(offer.sellCents / gb), currency) })}
        </span>
      </span>
      <span className="flex flex-wrap gap-1 justify-end">
        {onOpen !== null && (
          <Button
            weight="quiet"
            onClick={onOpen}
            aria-label={`${mayPrice ? t('offer.reprice') : t('offer.prices')} ${title}`}
          >
            {mayPrice ? t('offer.price') : t('offer.prices')}
          </Button>
        )}
        {onEdit !== null && offer.sellerId !== null && (
          <Button
            weight="quiet"
            className="max-[620px]:hidden"
            onClick={onEdit}
            aria-label={t('offer.editOne', { title })}
          >
            {t('offer.edit')}
          </Button>
        )}
      </span>
    </>
  );
}

interface MarketTableProps {
  /** what the rows are, for somebody who does not see them */
  name: string;
  total: number;
  pages: ReadonlyMap<number, MarketOffer[]>;
  onSee: (page: number) => void;
  feeds: readonly ShownFeed[];
  currency: string;
  mayPrice: boolean;
  onOpen: ((offer: MarketOffer) => void) | null;
  onEdit: ((offer: MarketOffer) => void) | null;
  /** begins a set for the job whose machine the offers fit; null: there is none */
  onCompose: ((offer: MarketOffer) => void) | null;
}

/** The offers of a shelf. Only what is in sight is drawn and asked for, however many there are. */
export function MarketTable({
  name,
  total,
  pages,
  onSee,
  feeds,
  currency,
  mayPrice,
  onOpen,
  onEdit,
  onCompose,
}: MarketTableProps) {
  const t = useTranslations('offers');
  const tTrade = useTranslations('trade');
  const box = useRef<HTMLElement>(null);
  const most = Math.min(total, Math.floor(TALLEST_PX / ROW_PX));
  const rows = useVirtualizer({
    count: most,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX,
    overscan: 6,
    initialRect: { width: 1000, height: 600 },
  });
  // Where a row stands is a style, which the page itself may not bring: rows are put in once it is there.
  const [here, setHere] = useState(false);
  useEffect(() => setHere(true), []);
  const seen = here ? rows.getVirtualItems() : [];
  const firstPage = Math.floor((seen[0]?.index ?? 0) / PAGE);
  const lastPage = Math.floor((seen.at(-1)?.index ?? 0) / PAGE);
  useEffect(() => {
    for (let page = firstPage; page <= lastPage; page++) onSee(page);
  }, [firstPage, lastPage, onSee]);
  return (
    <section
      ref={box}
      aria-label={name}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
      tabIndex={0}
      className="bg-sheet border border-line overflow-y-auto min-h-28 max-h-[min(36rem,70dvh)]"
    >
      <ul className="relative text-sm" {...(here && { style: { height: rows.getTotalSize() } })}>
        {seen.map(({ index, start }) => {
          const offer = pages.get(Math.floor(index / PAGE))?.[index % PAGE];
          return (
            <li
              key={index}
              aria-setsize={total}
              aria-posinset={index + 1}
              className={`${COLUMNS} absolute inset-x-0 border-b border-line`}
              style={{ height: ROW_PX, transform: `translateY(${start}px)` }}
            >
              {offer === undefined ? (
                <span className="text-ink-2">{t('offer.loading', { value: index + 1 })}</span>
              ) : (
                <Row
                  age={sickText(
                    tTrade,
                    feeds.find(({ sellerId }) => sellerId === offer.sellerId),
                  )}
                  offer={offer}
                  currency={currency}
                  mayPrice={mayPrice}
                  onOpen={onOpen && (() => onOpen(offer))}
                  onEdit={onEdit && (() => onEdit(offer))}
                  onCompose={onCompose && (() => onCompose(offer))}
                />
              )}
            </li>
          );
        })}
      </ul>
      {most < total && <p className="px-4 py-2 text-mind">{t('offer.tooMany')}</p>}
    </section>
  );
}
