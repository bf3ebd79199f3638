/** Years in which a model was made: `2018–2020`, `since 2021`. */
export function yearsText({ yearFrom, yearTo }: { yearFrom: number; yearTo: number | null }): string {
  if (yearTo === null) return `since ${yearFrom}`;
  return yearTo === yearFrom ? String(yearFrom) : `${yearFrom}–${yearTo}`;
}
