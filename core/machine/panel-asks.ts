import type { Shown } from './gap-question';
import type { Limits } from './limits/resolve-claims';
import type { Joined } from './slots/join-readings';

/** What a system's screen may still tell that no reading said. */
export interface PanelAsks {
  total: boolean;
  rate: boolean;
  slots: boolean;
  form: boolean;
  generation: boolean;
}

/** What a system shows of all its modules together. */
export function shownOf({ machine }: Pick<Joined, 'machine'>): Shown {
  const rates = (machine?.memory.slots ?? []).flatMap(({ installed }) => installed?.configuredRateMTs ?? []);
  return {
    installedMiB: machine?.memory.installedMiB ?? null,
    rateMTs: rates.length === 0 ? null : Math.min(...rates),
  };
}

/** What a screen may still tell: where a reading lists the slots, nothing. */
export function panelAsksOf({ machine }: Pick<Joined, 'machine'>, limits: Limits): PanelAsks {
  const isListed = (machine?.memory.slots.length ?? 0) > 0;
  const isRead = (limit: 'form' | 'generations'): boolean => limits[limit]?.source.kind === 'reading';
  const { installedMiB, rateMTs } = shownOf({ machine });
  return {
    total: !isListed && installedMiB === null,
    rate: !isListed && rateMTs === null,
    slots: !isListed,
    form: !isListed && !isRead('form'),
    generation: !isListed && !isRead('generations'),
  };
}
