/** What a line of a joined option is typed over by: the group's job and the name within it. */
export const keyOfGroup = (jobId: number, key: string): string => `job ${jobId}/${key}`;

/** The job and the name within it that a line of a joined option is typed over by; null: it is none of a group. */
export function groupOfKey(key: string): { jobId: number; key: string } | null {
  const found = /^job (\d{1,9})\/(.+)$/.exec(key);
  return found === null ? null : { jobId: Number(found[1]), key: found[2] ?? '' };
}
