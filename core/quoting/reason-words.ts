import type { StaffWords } from '../../words/staff-words';
import { effectiveChannelsText } from '../planning/explain/channel-words';
import type { CareReason, Note } from '../planning/rules/care';

/** Figures that the sentences speak of. Capacities as text, rates MT/s, bandwidth MB/s. */
export interface ReasonFacts {
  totalText: string;
  officialTotalText: string | null;
  officialModuleText: string | null;
  rateMTs: number;
  todayRateMTs: number | null;
  bandwidthMBs: number;
  todayBandwidthMBs: number;
  effectiveChannels: number;
  osVisibleText: string | null;
}

/** What a technician reads of a reason for care: the rule with its numbers. */
export function reasonText(t: StaffWords<'plans'>, reason: CareReason, facts: ReasonFacts): string {
  const { totalText: total, officialTotalText: official, officialModuleText: size, rateMTs: rate } = facts;
  switch (reason) {
    case 'mixed-rate':
      return t('reasons.mixed-rate', { rate });
    case 'module-off-book':
      return size === null ? t('reasons.module-off-book-unknown') : t('reasons.module-off-book', { size });
    case 'os-limit':
      return t('reasons.os-limit', { visible: facts.osVisibleText ?? '', total });
    case 'slower-than-today':
      return t('reasons.slower-than-today', {
        rate,
        bandwidth: facts.bandwidthMBs,
        todayRate: facts.todayRateMTs ?? 0,
        todayBandwidth: facts.todayBandwidthMBs,
      });
    case 'total-off-book':
      return official === null
        ? t('reasons.total-off-book-unknown', { total })
        : t('reasons.total-off-book', { total, official });
    case 'uneven-channels':
      return t('reasons.uneven-channels', { channels: effectiveChannelsText(t, facts.effectiveChannels) });
    default:
      return t(`reasons.${reason}`);
  }
}

/** What is worth saying of a plan without care. */
export const noteText = (t: StaffWords<'plans'>, note: Note, { rateMTs: rate }: ReasonFacts): string =>
  note === 'runs-below-rating' ? t('notes.runs-below-rating', { rate }) : t(`notes.${note}`);
