/** A kernel's total, KiB (proc(5), meminfo). */
const MEMINFO = /^\s*MemTotal:\s+(\d{4,12}) kB\s*$/m;
const MEMINFO_OTHER = /^\s*(?:MemFree|MemAvailable|SwapTotal|Buffers|Cached):\s/m;

/** The line of a table of used and free memory, with its head above (free(1)). Words stand in the system's language. */
const FREE_HEAD = /^[^\S\n]{4,}[^\d\n]{10,120}$/m;
const FREE_ROW =
  /^(?:Mem|Speicher|Mémoire|Memoria|Memória|Geheugen|Mem\.)\s?:\s+(?<total>\d{2,12}|\d+(?:[.,]\d+)?(?:[KMGT]i?))\s+\d/m;

const SUFFIX: Record<string, number> = { K: 1 / 1024, M: 1, G: 1024, T: 1024 * 1024 };
const KIB_PER_MIB = 1024;
/** A bare total below this is counted in MiB: no machine of today has so few KiB. */
const LEAST_KIB = 131_072;

/** What the kernel can use in all, MiB, rounded down; null where a text does not say it. */
export function kernelMemory(text: string): number | null {
  const head = text.slice(0, 100_000);
  const meminfo = MEMINFO.exec(head)?.[1];
  if (meminfo !== undefined && MEMINFO_OTHER.test(head)) return Math.floor(Number(meminfo) / KIB_PER_MIB);
  const total = FREE_HEAD.test(head) ? FREE_ROW.exec(head)?.groups?.total : undefined;
  if (total === undefined) return null;
  const suffix = /[KMGT]/.exec(total)?.[0];
  const number = Number.parseFloat(total.replace(',', '.'));
  if (suffix !== undefined) return Math.floor(number * (SUFFIX[suffix] ?? 0));
  return number < LEAST_KIB ? number : Math.floor(number / KIB_PER_MIB);
}
