import type { Language } from '../../language';
import { moduleText } from '../../memory/module-words';
import type { Most, WhatToBuy } from '../what-to-buy';
import { BUY_WORDS } from './buy-words';
import { capacityIn, figureIn } from './in-language';

/** A line of a specification to buy by. */
export interface BuyLine {
  name: string;
  texts: string[];
}

/** What to buy, line by line in the customer's language, and what not to. */
export function buyLines(language: Language, told: WhatToBuy): { lines: BuyLine[]; avoid: string[] } {
  const words = BUY_WORDS[language];
  const size = (mib: number | null): string => (mib === null ? words.notKnown : capacityIn(language, mib));
  const most = ({ statedMiB, worksMiB }: Most): string[] => [
    size(statedMiB),
    ...(worksMiB === null ? [] : [words.works(size(worksMiB))]),
  ];
  const { visibleMiB, total } = told;
  const mostMiB = total.worksMiB ?? total.statedMiB;
  const lines: (BuyLine | null)[] = [
    {
      name: words.type,
      texts: [
        told.types
          .map(({ generation, form, contacts }) =>
            [`${generation} ${form}`, ...(contacts === null ? [] : [words.contacts(contacts)])].join(', '),
          )
          .join(words.or),
        told.kinds.map(words.kind).join(words.or),
      ],
    },
    {
      name: words.voltage,
      texts: [told.voltagesMv.map((mv) => `${figureIn(language, mv / 1000)} V`).join(words.or)],
    },
    { name: words.rate, texts: [told.rateMTs === null ? words.notKnown : words.rateAtLeast(told.rateMTs)] },
    { name: words.largest, texts: most(told.module) },
    {
      name: words.total,
      texts: [
        ...most(total),
        ...(visibleMiB !== null && (mostMiB === null || visibleMiB < mostMiB) ? [words.visible(size(visibleMiB))] : []),
      ],
    },
    {
      name: words.slots,
      texts: [
        words.slotsAre(told.slots, told.free),
        ...(told.solderedMiB > 0 ? [words.soldered(size(told.solderedMiB))] : []),
      ],
    },
    told.isPaired ? { name: words.pairs, texts: [words.equalPairs] } : null,
    told.clearanceMm === null
      ? null
      : { name: words.height, texts: [words.atMost(figureIn(language, told.clearanceMm))] },
    told.inside.length === 0
      ? null
      : {
          name: words.inside,
          texts: told.inside.map(
            ({ count, module }) =>
              `${count > 1 ? `${count} × ` : ''}${moduleText(module, (mib) => capacityIn(language, mib))}`,
          ),
        },
  ];
  return {
    lines: lines.filter((line) => line !== null),
    avoid: told.avoid.map((one) => words.avoided(one, one.what === 'failed' ? size(one.mib) : '')),
  };
}
