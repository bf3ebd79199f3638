import { useTranslations } from '#translations';
import { localeHere } from '../../words/locale-here';
import { shelfText } from './market-words';
import type { MarketWindow } from './use-market';

interface ShelvesProps {
  shelves: MarketWindow['shelves'];
  /** whose offers are shown */
  familyId: number;
  /** @param familyId null: the first there is */
  onPick: (familyId: number | null) => void;
}

/** Kinds of module that are found, with how many offers there are of each. */
export function Shelves({ shelves, familyId: shown, onPick }: ShelvesProps) {
  const t = useTranslations('offers');
  return (
    <nav
      aria-label={t('kinds')}
      className="grid gap-px bg-line border border-line max-[860px]:flex max-[860px]:overflow-x-auto"
    >
      {shelves.map(({ familyId, label, offers }) => (
        <button
          key={familyId}
          type="button"
          aria-pressed={familyId === shown}
          onClick={() => onPick(familyId === 0 ? null : familyId)}
          className={`flex justify-between gap-3 px-3 py-2 text-sm text-left min-h-10 max-[860px]:flex-none ${
            familyId === shown ? 'bg-board text-board-ink font-semibold' : 'bg-sheet hover:bg-sunk'
          }`}
        >
          <span>{shelfText(t, label)}</span>
          <span className={familyId === shown ? '' : 'text-ink-2'}>{offers.toLocaleString(localeHere())}</span>
        </button>
      ))}
    </nav>
  );
}
