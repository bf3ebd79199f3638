import { useMemo, useState } from 'react';
import { useTranslations } from '#translations';
import { type Likeness, likeInstalled } from '@/core/planning/filters/like-installed';
import type { Offer, PlanCase } from '@/core/planning/model/case';
import type { OfferRefusal } from '@/core/planning/rules/refuse-offer';
import { OFFER_TYPE } from '../../board/dropped-offer';
import { useJob } from '../../job/job-context';
import { Field } from '../../kit/field';
import { PageLink } from '../../kit/page-link';
import { moneyText } from '../../words/amounts';
import { guaranteeText, madeText, ratedText, testedText } from '../said/made';

interface OfferListProps {
  planCase: PlanCase;
  /** offers that fit no slot of the machine, with why */
  refused: ReadonlyMap<string, readonly OfferRefusal[]>;
  onAdd: (offer: Offer) => void;
}

/** So many of each kind of module are listed as like it, and so many in all. */
const LIKE = 3;
const LISTED = 40;

interface RowProps {
  offer: Offer;
  same: readonly Likeness[];
  codes: readonly OfferRefusal[];
  currency: string;
  onAdd: (offer: Offer) => void;
}

/** An offer with a button that adds it; one that does not fit says why, and has none. */
function Row({ offer, same, codes, currency, onAdd }: RowProps) {
  const t = useTranslations('options');
  const tPlans = useTranslations('plans');
  const tOffers = useTranslations('offers');
  const { job } = useJob();
  const supply = job.supplies[offer.id];
  const about = [
    madeText(offer.module),
    supply?.seller ?? '',
    ratedText(tOffers, supply, job.sellersRated),
    guaranteeText(t, supply),
    testedText(t, supply),
  ];
  const isRefused = codes.length > 0;
  return (
    <li
      draggable={!isRefused}
      onDragStart={(event) => {
        event.dataTransfer.setData(OFFER_TYPE, offer.id);
        event.dataTransfer.effectAllowed = 'copy';
      }}
      className={`border-b border-line py-1 grid grid-cols-[minmax(0,1fr)_auto_auto] gap-x-3 items-center ${isRefused ? 'text-ink-2' : ''}`}
    >
      <span className="min-w-0">
        <span className="block break-words">{offer.label}</span>
        <span className="block text-ink-2 text-xs">
          {[...about, ...same.map((what) => t(`compose.same.${what}`))].filter((one) => one !== '').join(' · ')}
          {supply?.page !== undefined && (
            <>
              {' · '}
              <PageLink page={supply.page} title={offer.label}>
                {tOffers('offer.page')}
              </PageLink>
            </>
          )}
        </span>
        {isRefused && (
          <span className="block text-stop text-xs">
            {t('compose.refused', { why: codes.map((code) => tPlans(`refusals.${code}`)).join(', ') })}
          </span>
        )}
      </span>
      <span className="text-right whitespace-nowrap">{moneyText(offer.priceCents, currency)}</span>
      {isRefused ? (
        <span />
      ) : (
        <button
          type="button"
          onClick={() => onAdd(offer)}
          aria-label={t('compose.add', { offer: offer.label })}
          className="min-h-9 min-w-9 rounded-notch border border-edge bg-sheet hover:bg-sunk font-semibold text-base cursor-pointer"
        >
          +
        </button>
      )}
    </li>
  );
}

/** What can be bought for the machine: first what is like what is in it, then all that fits, found by words. */
export function OfferList({ planCase, refused, onAdd }: OfferListProps) {
  const t = useTranslations('options');
  const { job } = useJob();
  const [line, setLine] = useState('');
  const like = useMemo(() => likeInstalled(planCase).filter(({ offers }) => offers.length > 0), [planCase]);
  const isAsked = line.trim() !== '';
  const found = useMemo(() => {
    const words = line.toLowerCase().split(/\s+/).filter(Boolean);
    const hits = planCase.offers.filter(({ id, label, module: { maker, part } }) => {
      const text = `${label} ${maker ?? ''} ${part ?? ''} ${job.supplies[id]?.seller ?? ''}`.toLowerCase();
      // Nobody looks for what does not fit; who names it is told why it does not.
      return words.length === 0 ? !refused.has(id) : words.every((word) => text.includes(word));
    });
    return hits.sort((a, b) => Number(refused.has(a.id)) - Number(refused.has(b.id)) || a.priceCents - b.priceCents);
  }, [planCase, job.supplies, refused, line]);
  const row = (offer: Offer, same: readonly Likeness[] = []) => (
    <Row
      key={offer.id}
      offer={offer}
      same={same}
      codes={refused.get(offer.id) ?? []}
      currency={planCase.currency}
      onAdd={onAdd}
    />
  );
  return (
    <div className="min-w-0">
      <Field
        label={t('compose.find')}
        hint={t('compose.findHint')}
        value={line}
        maxLength={200}
        autoFocus
        onChange={(event) => setLine(event.target.value)}
      />
      <div className="max-h-56 overflow-auto border-t border-line text-sm mt-1" tabIndex={-1}>
        {!isAsked &&
          like.map(({ slots, offers }) => (
            <section key={slots.join()}>
              <h4 className="text-sm font-semibold pt-1.5">{t('compose.like', { slots: slots.join(', ') })}</h4>
              <ul>{offers.slice(0, LIKE).map(({ offer, same }) => row(offer, same))}</ul>
            </section>
          ))}
        {!isAsked && <h4 className="text-sm font-semibold pt-1.5">{t('compose.fitting')}</h4>}
        <p role="status" className="text-xs text-ink-2">
          {found.length > LISTED
            ? t('compose.first', { shown: LISTED, count: found.length })
            : t('compose.found', { count: found.length })}
        </p>
        <ul>{found.slice(0, LISTED).map((offer) => row(offer))}</ul>
      </div>
    </div>
  );
}
