import type { LibraryModel } from './library-model';

const MOST_SHOWN = 4;

/**
 * Models that what is typed may mean: every word must begin a word of the maker, the name or the years. A report
 * (more than one line) means none; nothing typed means the first few.
 */
export function matchModels(models: readonly LibraryModel[], typed: string): LibraryModel[] {
  if (typed.includes('\n')) return [];
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = ({ maker, name, years }: LibraryModel) => {
    const known = `${maker} ${name} ${years}`.toLowerCase().split(/[\s-]+/);
    return words.every((word) => known.some((one) => one.startsWith(word)));
  };
  return models.filter(fits).slice(0, MOST_SHOWN);
}
