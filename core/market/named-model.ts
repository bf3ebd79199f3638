import { makerKey } from '../maker-key';

/** What a model is called by. */
export interface NamedModel {
  id: number;
  maker: string;
  family: string;
  name: string;
  yearFrom: number;
  yearTo: number | null;
  modelIds: readonly string[];
  boardIds: readonly string[];
  productStrings: readonly string[];
}

const plain = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** An identifier shorter than this, or without a figure, stands in too many texts to name a model on its own. */
const LEAST_IDENTIFIER = 5;

/** Years that a text names, 1980 to 2099. */
function yearsIn(text: string): number[] {
  return [...text.matchAll(/\b(19[89]\d|20\d\d)\b/g)].map(([year]) => Number(year));
}

const isOf = ({ yearFrom, yearTo }: NamedModel, year: number): boolean =>
  year >= yearFrom && year <= (yearTo ?? Number.POSITIVE_INFINITY);

/** A text without a year in brackets or at its end. */
const withoutYear = (text: string): string => text.replace(/[\s(,]*\b(19[89]\d|20\d\d)\b\)?\s*$/, '');

/** Does a text name just this model: its name, with or without maker and family, or one of its identifiers? */
function isNamed(model: NamedModel, said: string): boolean {
  const { maker, family, name } = model;
  const names = [name, `${maker} ${name}`, `${family} ${name}`, `${maker} ${family} ${name}`].map(plain);
  const own = [said, withoutYear(said)].map(plain);
  if (own.some((one) => one !== '' && names.includes(one))) return true;
  const identifiers = [...model.modelIds, ...model.boardIds, ...model.productStrings].map(plain);
  if (own.some((one) => one.length > 2 && identifiers.includes(one))) return true;
  const words = said.split(/[\s,;()]+/).map(plain);
  return identifiers.some((one) => one.length >= LEAST_IDENTIFIER && /\d/.test(one) && words.includes(one));
}

/** Which of some models a text names. */
export type ModelsNamed =
  | { ok: true; ids: number[] }
  | { ok: false /** several that it does not tell apart */; ids: number[] };

/**
 * The models that a text names and no other: of several of one name those of the year that it says.
 *
 * @param maker whose models count; empty: anybody's
 */
export function modelsNamed(said: string, maker: string, models: readonly NamedModel[]): ModelsNamed {
  const key = makerKey(maker);
  const named = models.filter((model) => (key === '' || makerKey(model.maker) === key) && isNamed(model, said));
  if (named.length <= 1) return { ok: named.length === 1, ids: named.map(({ id }) => id) };
  const years = yearsIn(said);
  const ofYear = named.filter((model) => years.some((year) => isOf(model, year)));
  if (ofYear.length > 0) return { ok: true, ids: ofYear.map(({ id }) => id) };
  return { ok: false, ids: named.map(({ id }) => id) };
}
