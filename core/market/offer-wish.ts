import type { KnownModule } from '../machine/slots/job-slot';
import { capacityText } from '../memory/capacity';
import type { Buffering } from '../memory/module';
import type { Origin } from '../planning/model/lanes';
import { readListing } from '../reading/listing/listing';
import { markedTitle } from '../reading/listing/marked-title';

/** What an offer's module and pack have to be; what is left out may be anything. */
export interface OfferWish {
  generations?: readonly string[];
  form?: string;
  kinds?: readonly { buffering: Buffering; ecc: boolean }[];
  buffering?: Buffering;
  ecc?: boolean;
  capacityMiB?: number;
  mostMiB?: number;
  rateMTs?: number;
  cas?: number;
  ranks?: number;
  mostHeightMm?: number;
  modules?: number;
  origins?: readonly Origin[];
  sellerId?: number;
  /** for this model of the library: parts made for others are left out; null: for a model that nobody knows */
  machine?: { modelId: number | null; makerKey: string };
  /** words that stand in its text, its maker or a number of it */
  words?: readonly string[];
}

/**
 * The line that finds the twin of a module: equal kind, capacity, rate, CL, ranks and maker, as far as they are known.
 * Read again by {@link wishOfText} it is that wish.
 */
export function twinText(module: KnownModule): string {
  const { capacityMiB, generation, rateMTs, form, casLatency, ranks, buffering, ecc, maker } = module;
  const checked = ecc === null ? '' : ecc ? 'ECC' : 'non-ECC';
  return [
    capacityMiB == null ? '' : capacityText(capacityMiB),
    generation === null ? '' : rateMTs == null ? generation : `${generation}-${rateMTs}`,
    form ?? '',
    casLatency == null ? '' : `CL${casLatency}`,
    ranks == null ? '' : `${ranks} rank${ranks > 1 ? 's' : ''}`,
    buffering ?? '',
    buffering === null ? '' : checked,
    maker ?? '',
  ]
    .filter((part) => part !== '')
    .join(' ');
}

/** Words of origin, as people type them. */
const ORIGIN_WORDS: readonly [RegExp, Origin][] = [
  [/\boriginals?\b/gi, 'original'],
  [/\bthird[- ]?part(y|ies)\b/gi, 'third-party'],
  [/\b(used|shelf|second[- ]?hand)\b/gi, 'used'],
];

/** Words that say nothing about which module. */
const IDLE = new Set(['and', 'for', 'from', 'memory', 'module', 'modules', 'of', 'our', 'ram', 'the', 'with']);

/** A module of several in one pack is told apart from one alone only where the line says how many. */
const told = (fields: ReadonlySet<string>): boolean => ['modules', 'kitOf', 'pieces'].some((one) => fields.has(one));

/**
 * What somebody who looks for an offer types, as a wish: the facts of a module in the words of titles and labels
 * (JEDEC 21-C), an origin, and words that are none of these.
 */
export function wishOfText(text: string): OfferWish {
  let rest = text;
  const origins: Origin[] = [];
  for (const [words, origin] of ORIGIN_WORDS) {
    if (!words.test(rest)) continue;
    origins.push(origin);
    rest = rest.replace(words, ' ');
  }
  const { module, offer, facts = [] } = readListing(rest);
  const words = markedTitle(rest, facts)
    .filter(({ says }) => says.length === 0 || says.includes('part'))
    .flatMap((piece) => piece.text.split(/[\s,;]+/))
    .map((word) => word.replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/gu, ''))
    .filter((word) => word.length > 1 && !IDLE.has(word.toLowerCase()));
  const counted = told(new Set(facts.map(({ field }) => field))) ? offer.modules : null;
  return {
    ...(module.generation !== null && { generations: [module.generation] }),
    ...(module.form !== null && { form: module.form }),
    ...(module.capacityMiB !== null && { capacityMiB: module.capacityMiB }),
    ...(module.rateMTs !== null && { rateMTs: module.rateMTs }),
    ...(module.casLatency !== null && { cas: module.casLatency }),
    ...(module.ranks !== null && { ranks: module.ranks }),
    ...(module.buffering !== null && { buffering: module.buffering }),
    ...(module.ecc !== null && { ecc: module.ecc }),
    ...(module.heightMm !== null && { mostHeightMm: module.heightMm }),
    ...(counted !== null && { modules: counted }),
    ...(origins.length > 0 && { origins }),
    ...(words.length > 0 && { words }),
  };
}
