import { LANGUAGE_NAMES } from '@/core/language';
import type { VersionChange } from '@/core/quoting/drift/version-change';
import type { StaffWords } from '@/words/staff-words';
import { LANE_WORDS } from '../options/said/lane-words';
import { capacityText, dayText, moneyText } from '../words/amounts';

interface Say {
  t: StaffWords<'quote'>;
  tTrade: StaffWords<'trade'>;
  currency: string;
}

function changeText(change: VersionChange, { t, tTrade, currency }: Say): string {
  const by = (moreCents: number): string =>
    t(moreCents > 0 ? 'versions.more' : 'versions.less', { amount: moneyText(Math.abs(moreCents), currency) });
  const also = (moreCents: number): string => (moreCents === 0 ? '' : `, ${by(moreCents)}`);
  switch (change.what) {
    case 'new':
      return t('versions.new', { place: change.place });
    case 'gone':
      return t('versions.gone', { place: change.place });
    case 'price':
      return t('versions.price', { place: change.place, by: by(change.moreCents) });
    case 'parts':
      return t('versions.parts', { place: change.place }) + also(change.moreCents);
    case 'build': {
      const [before, now] = [change.before, change.now].map(
        ({ totalMiB, lane }) => `${capacityText(totalMiB)} ${tTrade(LANE_WORDS[lane])}`,
      );
      return (
        t('versions.build', { place: change.place, before: before ?? '', now: now ?? '' }) + also(change.moreCents)
      );
    }
    case 'suggested':
      return change.place === null ? t('versions.noneSuggested') : t('versions.suggested', { place: change.place });
    case 'until':
      return t('versions.until', { day: dayText(change.day) });
    case 'language':
      return t('versions.language', { language: LANGUAGE_NAMES[change.language] });
    case 'tax':
      return t('versions.tax');
    case 'no-tax':
      return t('versions.noTax');
    case 'note':
      return t('versions.note');
  }
}

/** What a version changes, in one sentence. */
export function versionText(changes: readonly VersionChange[], say: Say): string {
  if (changes.length === 0) return say.t('versions.nothing');
  const sentence = changes.map((change) => changeText(change, say)).join('; ');
  return `${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}.`;
}
