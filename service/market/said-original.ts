import { makerKey } from '../../core/maker-key';
import type { ReadOriginal } from '../../core/reading/reading';
import { listMakers } from '../../store/library/models';
import type { Queryable } from '../../store/queryable';
import { lookUp } from './bind-models';

/** What an original is bound to: whose it is, for which models, and what is left to be settled. */
export interface OriginalBinding {
  /** empty: nobody says */
  originalOf: string;
  everyModel: boolean;
  modelIds: number[];
  unbound: string[];
}

/** The library's maker that a text names as a word of its own; empty: none, or several. */
async function makerIn(db: Queryable, text: string): Promise<string> {
  const words = text.split(/[\s,;()/]+/).map(makerKey);
  const joined = words.join(' ');
  const named = (await listMakers(db)).filter((maker) => {
    const key = makerKey(maker);
    return (
      key !== '' && (words.includes(key) || ` ${joined} `.includes(` ${maker.split(/\s+/).map(makerKey).join(' ')} `))
    );
  });
  return named.length === 1 ? (named[0] ?? '') : '';
}

/**
 * Binds what a page or a title says of a maker's own part through the library's finder. Without a machine it is for all of the
 * maker's; what names a machine that the library does not know is left to be settled.
 *
 * @param title in which the maker is looked for where nobody says it
 */
export async function bindOriginal(
  db: Queryable,
  { of, madeFor }: ReadOriginal,
  title: string,
): Promise<OriginalBinding> {
  const originalOf = (of ?? (await makerIn(db, title))).slice(0, 80);
  const bound = await lookUp(
    db,
    madeFor.map((said) => ({ maker: originalOf, said })),
  );
  return {
    originalOf,
    everyModel: madeFor.length === 0 && makerKey(originalOf) !== '',
    modelIds: bound.flatMap(({ modelId }) => modelId ?? []),
    unbound: bound.flatMap(({ modelId, said }) => (modelId === null ? [said.slice(0, 80)] : [])),
  };
}

/** What became of an original, in a sentence; empty where every machine of it is known. */
export function bindingSentence({ originalOf, everyModel, modelIds, unbound }: OriginalBinding): string {
  if (unbound.length > 0)
    return ` Assign ${unbound.join(', ')} under Offers: the library does not know ${unbound.length === 1 ? 'it' : 'them'}.`;
  if (modelIds.length === 0 && !everyModel)
    return originalOf === ''
      ? ' It is an original part, but of no maker that we know and for no model: assign it under Offers.'
      : ' It is an original part for no model yet: assign it under Offers.';
  return '';
}
