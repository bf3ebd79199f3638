import type { PlanCase } from '../model/case';
import { offerOf } from '../model/offer-of';
import { refusedText, wishText } from './explain-words';
import type { HandMade, Standing } from './hand-made';
import { listed, type PlanSay } from './plan-say';
import { planLine } from './plan-words';

/** Where a set stands beside the ladder, as sentences. */
export function standingLines(say: PlanSay, planCase: PlanCase, standing: Standing): string[] {
  const { t, money } = say;
  switch (standing.is) {
    case 'shown':
      return [t('hand.shown')];
    case 'beaten':
      return [
        t('hand.beaten', { plan: planLine(say, planCase, standing.by) }),
        t('hand.cheaper', { price: money(standing.cheaperBy) }),
      ];
    case 'no-gain':
      return [t('hand.no-gain')];
    case 'outside':
      return [
        t('hand.outside', {
          why: listed(
            t,
            standing.broken.map(({ wish, by }) => wishText(say, wish, by)),
          ),
        }),
      ];
    case 'locked':
      return [t('hand.locked', { slots: listed(t, standing.slots) })];
  }
}

/** What speaks against a set, as a sentence. */
export function againstLine({ t }: PlanSay, planCase: PlanCase, against: Exclude<HandMade, { ok: true }>): string {
  const labelOf = (offer: string) => offerOf(planCase.offers, offer)?.label ?? offer;
  switch (against.why) {
    case 'refused':
      return t('hand.refused', {
        offer: labelOf(against.offer),
        why: against.because.map((one) => refusedText(t, one)).join('; '),
      });
    case 'sold-out':
      return t('hand.sold-out', { offer: labelOf(against.offer), stock: against.stock });
    case 'uneven':
      return t('hand.uneven', { offer: labelOf(against.offer), count: against.atATime });
    case 'set-refused':
      return t('hand.set-refused', { why: against.codes.map((code) => t(`sets.${code}`)).join('; ') });
    default:
      return t(`hand.${against.why}`);
  }
}
