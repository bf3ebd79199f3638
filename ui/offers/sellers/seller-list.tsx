'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { ListedSeller } from '@/service/market/view';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { FileButton } from '../../kit/file-button';
import { Notice } from '../../kit/notice';
import { type ShownListState, STATE_TEXTS } from '../lists/list-words';
import { ratingText } from '../market/market-words';
import type { PriceGround } from '../price-form';
import { ExchangeRates } from './exchange-rates';
import { FeedSheet } from './feed-sheet';
import type { ShownFeed } from './feed-words';
import { UseAgain } from './seller-ends';
import { SellerSheet, TRUST_WORDS } from './seller-sheet';
import { newSeller } from './seller-typed';
import { termsText } from './terms-words';

/** A seller's price list, chosen as a file: it opens to be looked at. */
function ListDrop({ seller }: { seller: ListedSeller }) {
  const t = useTranslations('offers');
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const take = async (file: File) => {
    const result = await save<{ id: number }>('POST', `/api/sellers/${seller.id}/lists`, file);
    if (result.ok) router.push(`/offers/lists/${result.value.id}`);
  };
  return (
    <>
      <FileButton
        fileLabel={t('sellers.file', { name: seller.name })}
        aria-label={t('sellers.priceListOf', { name: seller.name })}
        weight="quiet"
        disabled={busy}
        onFiles={([file]) => void take(file)}
      >
        {busy ? t('sellers.sending') : t('sellers.list')}
      </FileButton>
      {sentence !== null && (
        <span role="alert" className="text-stop">
          {sentence}
        </span>
      )}
    </>
  );
}

/** A price list of late and how it stands. */
export interface LateList {
  id: number;
  name: string;
  seller: string;
  state: ShownListState;
}

interface SellerListProps {
  feeds: readonly ShownFeed[];
  lists: readonly LateList[];
  sellers: readonly ListedSeller[];
  ground: PriceGround;
  mayPrice: boolean;
  /** may allow a host to be asked */
  isOwner: boolean;
  /** usual tax of a new seller, hundredths of a percent */
  taxBp: number;
}

/** How a seller's feed does; nothing where it has none. */
function FeedLine({ feed }: { feed: ShownFeed | undefined }) {
  const t = useTranslations('offers');
  if (feed === undefined || feed.sentence === null) return null;
  return (
    <span className={`block ${feed.ok ? '' : 'text-mind'}`}>
      {t('sellers.feed', {
        value: feed.ok ? '' : '△ ',
        sentence: feed.sentence,
        value2: feed.age !== null ? t('sellers.lastWell', { age: feed.age }) : '',
      })}
    </span>
  );
}

/** Who sells, what their numbers mean, and the rates of foreign currencies. */
export function SellerList({ sellers, feeds, lists, ground, mayPrice, isOwner, taxBp }: SellerListProps) {
  const t = useTranslations('offers');
  const [feeding, setFeeding] = useState<ListedSeller | null>(null);
  const active = sellers.filter(({ retired }) => !retired);
  const retired = sellers.filter((seller) => seller.retired);
  const [editing, setEditing] = useState<ListedSeller | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const foreign = [...new Set(sellers.flatMap(({ terms }) => (terms === null ? [] : [terms.currency])))].filter(
    (currency) => currency !== ground.currency,
  );
  return (
    <section id="sellers" aria-label={t('sellers.title')}>
      <div className="flex items-end justify-between gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">{t('sellers.title')}</h2>
        {mayPrice && <Button onClick={() => setEditing(newSeller(ground.currency, taxBp))}>{t('sellers.add')}</Button>}
      </div>
      {active.length === 0 && <p className="bg-sheet px-4 py-4 text-sm">{t('sellers.none')}</p>}
      <ul className="bg-sheet">
        {active.map((seller) => (
          <SellerLine
            key={seller.id}
            seller={seller}
            feed={feeds.find(({ sellerId }) => sellerId === seller.id)}
            currency={ground.currency}
            mayPrice={mayPrice}
            onFeed={() => setFeeding(seller)}
            onEdit={() => setEditing(seller)}
          />
        ))}
        {mayPrice && (
          <li>
            <ExchangeRates ground={ground} currencies={foreign} />
          </li>
        )}
      </ul>
      {retired.length > 0 && (
        <p className="text-sm text-ink-2 mt-1.5 flex flex-wrap gap-x-4 gap-y-1">
          {t.rich('sellers.retired', {
            value: () =>
              retired.map((seller) => (
                <span key={seller.id} className="flex gap-1.5 items-baseline">
                  {seller.name}
                  {mayPrice && <UseAgain seller={seller} onSaid={setSaid} />}
                </span>
              )),
          })}
        </p>
      )}
      {mayPrice && lists.length > 0 && <LateLists lists={lists} />}
      {said !== null && (
        <div className="mt-2">
          <Notice tone="good" live>
            {said}
          </Notice>
        </div>
      )}
      {editing !== null && (
        <SellerSheet
          seller={editing}
          others={active.filter(({ id }) => id !== editing.id)}
          currency={ground.currency}
          onClose={() => setEditing(null)}
          onSaved={setSaid}
        />
      )}
      {feeding !== null && (
        <FeedSheet
          seller={feeding}
          feed={feeds.find(({ sellerId }) => sellerId === feeding.id) ?? null}
          isOwner={isOwner}
          onClose={() => setFeeding(null)}
          onSaved={setSaid}
        />
      )}
    </section>
  );
}

interface SellerLineProps {
  seller: ListedSeller;
  feed: ShownFeed | undefined;
  currency: string;
  mayPrice: boolean;
  onFeed: () => void;
  onEdit: () => void;
}

/** A seller, what its numbers mean and how its feed does. */
function SellerLine({ seller, feed, currency, mayPrice, onFeed, onEdit }: SellerLineProps) {
  const t = useTranslations('offers');
  return (
    <li className="flex flex-wrap md:flex-nowrap items-baseline gap-3 px-4 py-1.5 border-b border-line text-sm">
      <span className="font-semibold w-52 shrink-0">{seller.name}</span>
      <span className="flex-1 min-w-0 text-ink-2">
        {seller.partsOf !== null && t('sellers.partsOf', { partsOf: seller.partsOf })}
        {termsText(t, seller.terms, currency)} · {t('sellers.days', { leadDays: seller.leadDays })} ·{' '}
        {t(TRUST_WORDS[seller.trust])}
        {seller.rating !== null &&
          seller.ratingCount !== null &&
          ` · ${ratingText(t, seller.rating, seller.ratingCount)}`}
        {seller.returns !== '' && t('sellers.returns', { returns: seller.returns })}
        <FeedLine feed={feed} />
      </span>
      <span className="text-ink-2 whitespace-nowrap">{t('assign.offers', { offers: seller.offers })}</span>
      {mayPrice && (
        <>
          <ListDrop seller={seller} />
          <Button weight="quiet" onClick={onFeed} aria-label={t('feed.title', { name: seller.name })}>
            {t('sellers.feedAction')}
          </Button>
          <Button weight="quiet" onClick={onEdit} aria-label={t('sellers.editOne', { name: seller.name })}>
            {t('sellers.edit')}
          </Button>
        </>
      )}
    </li>
  );
}

/** Price lists of late, and how each stands. */
function LateLists({ lists }: { lists: readonly LateList[] }) {
  const t = useTranslations('offers');
  return (
    <p className="text-sm text-ink-2 mt-1.5 flex flex-wrap gap-x-4">
      {t.rich('sellers.lists', {
        value: () =>
          lists.map((list) => (
            <span key={list.id}>
              <Link href={`/offers/lists/${list.id}`} className="text-ink underline underline-offset-2">
                {t('sellers.listOf', { name: list.name, seller: list.seller })}
              </Link>
              , {t(STATE_TEXTS[list.state])}
            </span>
          )),
      })}
    </p>
  );
}
