import { useTranslations } from '#translations';
import { OFFER_SORTS, type OfferSort } from '@/core/market/offer-sort';
import { SORT_TEXTS } from './market-words';

interface MarketSortsProps {
  sort: OfferSort;
  isBusy: boolean;
  onSort: (sort: OfferSort) => void;
  /** null: none of these may be done by the person who looks */
  onOrigin: (() => void) | null;
  onFile: (() => void) | null;
}

/** In which order offers stand, and what is done with all that are found. */
export function MarketSorts({ sort, isBusy, onSort, onOrigin, onFile }: MarketSortsProps) {
  const t = useTranslations('offers');
  return (
    <fieldset className="flex flex-wrap gap-x-1 gap-y-1 items-center text-sm">
      <legend className="sr-only">{t('find.sortedBy')}</legend>
      <span aria-hidden="true" className="text-ink-2 mr-1">
        {t('find.sortBy')}
      </span>
      {OFFER_SORTS.map((one) => (
        <label
          key={one}
          className={`px-2.5 py-1.5 cursor-pointer rounded-notch border has-focus-visible:outline-2 ${
            one === sort ? 'border-edge bg-sheet font-semibold' : 'border-transparent text-ink-2 hover:bg-sunk'
          }`}
        >
          <input type="radio" name="sort" className="sr-only" checked={one === sort} onChange={() => onSort(one)} />
          {t(SORT_TEXTS[one])}
        </label>
      ))}
      <span className="ml-auto flex gap-3">
        {onOrigin !== null && <Act text={t('find.origin')} onPress={onOrigin} />}
        {onFile !== null && <Act text={t('find.csv')} onPress={onFile} />}
      </span>
      <span role="status" className="text-ink-2">
        {isBusy ? 'looking…' : ''}
      </span>
    </fieldset>
  );
}

function Act({ text, onPress }: { text: string; onPress: () => void }) {
  return (
    <button type="button" className="underline underline-offset-2 cursor-pointer" onClick={onPress}>
      {text}
    </button>
  );
}
