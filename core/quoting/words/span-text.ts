/** So many months in words: whole years as years. */
export function spanText(months: number, inMonths: string, oneYear: string, years: string): string {
  if (months % 12 !== 0) return `${months} ${inMonths}`;
  return months === 12 ? `1 ${oneYear}` : `${months / 12} ${years}`;
}
