import type { OptionGroup, QuoteOption } from '../snapshot';

/**
 * What an option says of one group of a job's machines, as if it were all; an option without groups is of all of them.
 *
 * @param jobId the job that the group is kept as
 */
export function optionOfGroup(option: QuoteOption, jobId: number): QuoteOption {
  const { groups, machines: _, ...whole } = option;
  const nr = option.shop.groups?.findIndex(({ job }) => job === jobId) ?? -1;
  const [group, shopSide] = [groups?.[nr], option.shop.groups?.[nr]];
  if (group === undefined || shopSide === undefined) return option;
  const { name: __, machines, ...figures } = group;
  const { job: ___, ...own } = shopSide;
  return { ...whole, ...figures, ...(machines > 1 && { machines }), shop: { ...option.shop, ...own } };
}

type Figures = Pick<OptionGroup, 'totalMiB'>;

/** The totals that an option's machines end at, MiB, each once, the least first. */
export const totalsOf = ({ totalMiB, groups }: Figures & { groups?: readonly Figures[] | undefined }): number[] =>
  [...new Set(groups?.map((group) => group.totalMiB) ?? [totalMiB])].sort((a, b) => a - b);
