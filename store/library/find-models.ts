import { many } from '../database';
import type { Queryable } from '../queryable';
import { MODEL_COLUMNS, type Model } from './models';

/** More words than this of what was typed are not looked for. */
const MOST_WORDS = 12;
/** Words of the library taken for one that was typed, at most. */
const MOST_LIKE = 8;
/** A word that more models have than this finds none on its own: a year, a maker. It still counts for those found. */
const COMMON = 300;

/** A name with its number typed on to it: `counter4`. Shorter names are parts of identifiers. */
const GLUED = /^(\p{L}{4,})(\d+)$/u;

/** Words as the library keeps them: lower case, parted by anything that is no letter or digit; glued ones apart as well. */
export function searchWordsOf(text: string): string[] {
  const words = text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')
    .flatMap((word) => [word, ...(GLUED.exec(word)?.slice(1) ?? [])]);
  return [...new Set(words)].slice(0, MOST_WORDS);
}

/*
 * Every typed word stands for the library's words that are like it (pg_trgm similarity). Of each typed word a model
 * counts the best of its own, the more the rarer that word is; a word typed right weighs more than a likely one. Of
 * equal models the one with fewer words of its own is meant, then the younger.
 */
export const FIND = `
with typed as (
  select number, typed.word, case
      when length(typed.word) < 3 then 'short'
      when typed.word !~ '[0-9]' then 'name'
      when length(typed.word) > 4 then 'identifier'
      else 'short'
    end as sort
  from unnest($1::text[]) with ordinality as typed (word, number)
), alike as materialized (
  select typed.number, found.id as word_id, found.models, found.likeness,
    found.likeness * found.likeness * (1 + ln(greatest($4::float8, 2) / greatest(found.models, 1))) as weight
  from typed cross join lateral (
    (select id, models, 1.3::float8 as likeness from word where word = typed.word and models > 0)
    union all
    (select id, models, similarity(word, typed.word) as likeness from word
     where typed.sort = 'name' and not numbered and word % typed.word and word <> typed.word and models > 0
     order by likeness desc, models limit $2)
    union all
    (select id, models, similarity(word, typed.word) as likeness from word
     where typed.sort = 'identifier' and numbered and length(word) > 4
       and word % typed.word and word <> typed.word and models > 0
     order by likeness desc, models limit $2)
  ) as found
), candidate as materialized (
  select distinct model_word.model_id from alike join model_word using (word_id)
  where alike.models <= $3 or not exists (select from alike as rare where rare.models <= $3)
), counted as (
  select model_word.model_id, alike.number, max(alike.weight) as weight
  from alike join model_word using (word_id) join candidate using (model_id)
  group by model_word.model_id, alike.number
), scored as (
  select model_id, sum(weight) as score from counted group by model_id order by score desc limit 40
)
select ${MODEL_COLUMNS}, score
from scored join model on model.id = scored.model_id
order by score desc, (select count(*) from model_word where model_id = model.id), year_from desc, model.id
limit $5`;

export interface FoundModel extends Model {
  /** how well it fits what was typed; comparable within one search */
  score: number;
}

/** Models by anything typed or read of them, likeliest first. Empty where nothing is like it. */
export async function findModels(db: Queryable, text: string, most: number): Promise<FoundModel[]> {
  const words = searchWordsOf(text);
  if (words.length === 0) return [];
  const [counted] = await many<{ count: number }>(db, 'select count(*)::int as count from model');
  return many<FoundModel & Record<string, unknown>>(db, FIND, [words, MOST_LIKE, COMMON, counted?.count ?? 0, most]);
}
