import { makeRandom, type Random } from '../testing/fuzz/random';

/** A made-up model and what is printed on and in it. */
export interface MadeModel {
  maker: string;
  family: string;
  name: string;
  yearFrom: number;
  productString: string;
  modelId: string;
}

const STARTS = [
  'bar',
  'cor',
  'dun',
  'fel',
  'gar',
  'hol',
  'kes',
  'lor',
  'mer',
  'nor',
  'ost',
  'pel',
  'quil',
  'ros',
  'sel',
  'tarn',
  'ul',
  'ven',
  'wick',
  'yar',
];
const MIDDLES = ['a', 'e', 'i', 'o', 'u', 'an', 'el', 'in', 'or', 'un'];
const ENDS = [
  'bek',
  'dale',
  'fin',
  'gate',
  'holt',
  'ick',
  'lund',
  'mark',
  'nor',
  'pool',
  'ra',
  'sen',
  'tell',
  'vik',
  'wold',
];
const SUFFIXES = ['', '', '', ' G2', ' G3', ' S', ' Plus', ' Mini', ' Tower', ' Slim'];

const pick = <T>(list: readonly T[], random: Random): T => list[random.below(list.length)] as T;
const titled = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
const madeWord = (random: Random): string => titled(pick(STARTS, random) + pick(MIDDLES, random) + pick(ENDS, random));

function distinctWords(count: number, random: Random): string[] {
  const words = new Set<string>();
  while (words.size < count) words.add(madeWord(random));
  return [...words];
}

/** So many different models of forty makers with ten families each; the same seed gives the same library. */
export function makeLibrary(count: number, seed: number): MadeModel[] {
  const random = makeRandom(seed);
  const words = distinctWords(440, random);
  const makers = words.slice(0, 40);
  const models = new Map<string, MadeModel>();
  while (models.size < count) {
    const at = random.below(makers.length);
    const maker = makers[at] ?? '';
    const family = words[40 + at * 10 + random.below(10)] ?? '';
    const number = random.below(4) === 0 ? String(10 + random.below(90)) : String(100 + random.below(900));
    const name = `${family} ${number}${pick(SUFFIXES, random)}`;
    const yearFrom = 2005 + random.below(20);
    const code = `${maker.slice(0, 1)}${family.slice(0, 2)}`.toUpperCase();
    const made = { maker, family, name, yearFrom };
    const productString = `${code}${number}-${1000 + random.below(9000)}`;
    const modelId = `${code}-${number}-${String.fromCharCode(65 + random.below(26))}${random.below(100)}`;
    // Two models of one name are told apart by what they are, not by how they are spelt: none here.
    if (!models.has(name)) models.set(name, { ...made, productString, modelId });
  }
  return [...models.values()];
}

const LETTERS = 'abcdefghijklmnopqrstuvwxyz';

/** A slip of the pen in a word of four letters and more: one dropped, two swapped, one doubled or another in its place. */
function slip(word: string, random: Random): string {
  if (word.length < 4 || /^\d+$/.test(word)) return word;
  const at = 1 + random.below(word.length - 2);
  const [before, letter, next, rest] = [word.slice(0, at), word[at] ?? '', word[at + 1] ?? '', word.slice(at + 2)];
  const slips = [
    before + next + rest,
    before + next + letter + rest,
    before + letter + letter + next + rest,
    before + LETTERS[random.below(26)] + next + rest,
  ];
  return pick(slips, random);
}

function shuffled<T>(list: readonly T[], random: Random): T[] {
  const left = [...list];
  return list.map(() => left.splice(random.below(left.length), 1)[0] as T);
}

/** A model as somebody in a hurry types it: parts missing, words in any order, slips in up to two of them. */
export function corrupted(model: MadeModel, random: Random): string {
  // What tells it from its sisters stays: the family's number and suffix; or it is asked for by an identifier.
  if (random.below(6) === 0) {
    const parts = [pick([model.productString, model.modelId], random), ...(random.below(2) === 0 ? [model.maker] : [])];
    return shuffled(parts, random).join(' ');
  }
  const words = model.name.split(' ');
  const parts = [
    ...words,
    ...(random.below(3) > 0 ? [model.maker] : []),
    ...(random.below(2) === 0 ? [String(model.yearFrom)] : []),
  ];
  let slips = 1 + random.below(2);
  const typed = shuffled(parts, random).map((part) => {
    const wrong = slips > 0 && part.length >= 4 ? slip(part, random) : part;
    if (wrong !== part) slips--;
    return random.below(2) === 0 ? wrong.toLowerCase() : wrong;
  });
  return typed.join(' ');
}
