import { customerView } from './customer-view';
import type { NamedDrift } from './drift/named-drift';
import type { SeenDrift } from './drift/seen-drift';
import type { QuoteOption, QuoteSnapshot } from './snapshot';

type ShopSide = QuoteOption['shop'];

/** What of an option only the shop sees: without what it costs, where the person who looks may not see that. */
export type SeenShopSide = Pick<ShopSide, 'kept' | 'placement' | 'computed'> & {
  bought: { offer: string; count: number; seller: string }[];
  /** minor units; null: not to be seen */
  costs: { costCents: number; marginCents: number } | null;
};

/** An option as somebody of the shop sees it. */
export type SeenOption = Omit<QuoteOption, 'shop'> & { shop: SeenShopSide };

/** An option for somebody of the shop. Each field of the shop's side is named, so that a new one stays inside. */
export function staffView({ shop, ...option }: QuoteOption, seesCost: boolean): SeenOption {
  const { kept, placement, computed, bought, costCents, marginCents } = shop;
  return {
    ...option,
    shop: {
      kept,
      placement,
      ...(computed !== undefined && { computed }),
      bought: bought.map(({ offer, count, seller }) => ({ offer, count, seller })),
      costs: seesCost ? { costCents, marginCents } : null,
    },
  };
}

export function seenDrift({ place, parts, titles, leftCents, leavesCents }: NamedDrift, seesCost: boolean): SeenDrift {
  return {
    place,
    titles,
    parts: parts.map(({ offer, seller, count, what }) => ({ offer, seller, count, what })),
    amounts: seesCost
      ? { parts: parts.map(({ wasCents, nowCents }) => ({ wasCents, nowCents })), leftCents, leavesCents }
      : null,
  };
}

/** A draft's options as the customer reads them, made by the very function that makes what leaves the shop. */
export function customerOptions(options: readonly QuoteOption[]) {
  const shell: QuoteSnapshot = {
    fenbrik: 'quote/1',
    number: '',
    sentOn: '',
    validUntil: '',
    currency: '',
    taxBp: 0,
    suggested: null,
    shop: { name: '', town: '', contact: '' },
    customer: { name: '' },
    machine: { name: '', totalMiB: 0 },
    options: [...options],
  };
  return customerView(shell).options;
}
