'use client';
import { useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import type { ListedSeller } from '@/service/market/view';
import { Fault } from '../../kit/fault';
import { INPUT_LOOK } from '../../kit/field';
import type { MarketOffer } from '../listed-offer';
import type { PriceGround } from '../price-form';
import type { ShownFeed } from '../sellers/feed-words';
import { type AskedMarket, addressOf, downloadOffers } from './market-address';
import { MarketSheets } from './market-sheets';
import { MarketSorts } from './market-sorts';
import { MarketTable } from './market-table';
import { SORT_TEXTS, shelfText } from './market-words';
import type { OpenSheet } from './open-sheet';
import { Shelves } from './shelves';
import { ToldOfOffers } from './told-of-offers';
import { useComposeWith } from './use-compose-with';
import { type MarketWindow, useMarket } from './use-market';
import { useMarketActs } from './use-market-acts';

interface MarketDeskProps {
  start: MarketWindow;
  wish: AskedMarket;
  /** whose machine the offers have to fit */
  jobName: string | null;
  sellers: readonly ListedSeller[];
  feeds: readonly ShownFeed[];
  ground: PriceGround;
  mayPrice: boolean;
  /** what offers cost the shop is shown */
  seesCost: boolean;
  /** plans may be put together for a job */
  mayCompose: boolean;
}

/** The market: offers by what is typed and by what a machine takes, one kind of module at a time, sorted any way. */
export function MarketDesk(props: MarketDeskProps) {
  const { start, wish, jobName, sellers, feeds, ground, mayPrice, seesCost, mayCompose } = props;
  const t = useTranslations('offers');
  const [asked, setAsked] = useState(wish);
  const [picked, setPicked] = useState<number | null>(null);
  const [noFile, setNoFile] = useState(false);
  const [sheet, setSheet] = useState<OpenSheet | null>(null);
  const market = useMarket({ ...asked, familyId: picked }, start);
  const acts = useMarketActs(market.again, setSheet);
  const composing = useComposeWith(mayCompose ? asked.jobId : null);
  useEffect(() => {
    window.history.replaceState(null, '', addressOf(asked));
  }, [asked]);
  const shelf = market.shelves.find(({ familyId }) => familyId === market.familyId) ?? null;
  return (
    <div className="grid gap-3">
      <Wish asked={asked} jobName={jobName} onAsk={setAsked} />
      {mayPrice && <ToldOfOffers acts={acts} onAdd={() => setSheet({ kind: 'write', from: null })} />}
      <Fault sentence={noFile ? t('find.noFile') : (composing.sentence ?? market.sentence)} />
      {market.familyId === null ? (
        <p className="bg-sheet border border-line px-4 py-8 text-center">
          {asked.jobId === null ? t('find.none') : t('find.noneFits')}
        </p>
      ) : (
        <div
          className={`grid gap-4 items-start max-[860px]:grid-cols-[minmax(0,1fr)] ${market.shelves.length > 1 ? 'grid-cols-[13.5rem_minmax(0,1fr)]' : ''}`}
        >
          {market.shelves.length > 1 && (
            <Shelves shelves={market.shelves} familyId={market.familyId} onPick={setPicked} />
          )}
          <div className="grid gap-2 min-w-0">
            <MarketSorts
              sort={asked.sort}
              isBusy={market.busy}
              onSort={(sort) => setAsked({ ...asked, sort })}
              onOrigin={mayPrice && (shelf?.offers ?? 0) > 0 ? () => setSheet({ kind: 'origin' }) : null}
              onFile={seesCost ? () => void downloadOffers(asked).then((came) => setNoFile(!came)) : null}
            />
            <MarketTable
              key={`${market.familyId} ${asked.sort} ${asked.text}`}
              name={t('find.sorted', { value: shelfText(t, shelf?.label ?? null), value2: t(SORT_TEXTS[asked.sort]) })}
              total={shelf?.offers ?? 0}
              pages={market.pages}
              onSee={market.see}
              feeds={feeds}
              currency={ground.currency}
              mayPrice={mayPrice}
              onOpen={seesCost ? (offer: MarketOffer) => setSheet({ kind: 'look', offer }) : null}
              onEdit={mayPrice ? (offer) => void acts.edit(offer.id) : null}
              onCompose={composing.compose}
            />
          </div>
        </div>
      )}
      <MarketSheets
        sheet={sheet}
        shelf={shelf}
        asked={asked}
        sellers={sellers}
        ground={ground}
        mayPrice={mayPrice}
        acts={acts}
        onSheet={setSheet}
        onPriced={market.again}
      />
    </div>
  );
}

interface WishProps {
  asked: AskedMarket;
  jobName: string | null;
  onAsk: (asked: AskedMarket) => void;
}

/** What is looked for. */
function Wish({ asked, jobName, onAsk }: WishProps) {
  const t = useTranslations('offers');
  return (
    <div className="flex flex-wrap items-center gap-3">
      <input
        aria-label={t('find.label')}
        data-scan="part"
        placeholder={t('find.hint')}
        value={asked.text}
        onChange={(event) => onAsk({ ...asked, text: event.target.value })}
        className={`${INPUT_LOOK} flex-1 min-w-48`}
      />
      {asked.jobId !== null && (
        <span className="flex items-center gap-2 text-sm bg-act-soft px-3 py-1.5 rounded-notch">
          {t.rich('find.fits', {
            value: jobName ?? t('find.machine'),
            e0: () => (
              <button
                type="button"
                className="underline underline-offset-2"
                onClick={() => onAsk({ ...asked, jobId: null })}
              >
                {t('find.all')}
              </button>
            ),
          })}
        </span>
      )}
    </div>
  );
}
