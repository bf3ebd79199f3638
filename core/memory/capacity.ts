/** MiB in one GB of a module label (JEDEC counts 1 GB as 2^30 bytes). */
export const MIB_PER_GB = 1024;

/**
 * A capacity in words of the trade: `512 MB`, `16 GB`, `1.5 GB`, `2 TB`.
 *
 * @param mib capacity in MiB
 */
export function capacityText(mib: number): string {
  if (mib !== 0 && mib < MIB_PER_GB) return `${mib} MB`;
  const gb = mib / MIB_PER_GB;
  if (gb >= 1024 && gb % 1024 === 0) return `${gb / 1024} TB`;
  return `${Number(gb.toFixed(2))} GB`;
}
