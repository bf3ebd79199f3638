import { PRICE_SUSPICIONS } from './price-bands';

/** What a row of a list does: names an offer that is new, the same, dearer or cheaper; or it is doubtful. */
export const ROW_FATES = ['new', 'same', 'up', 'down', 'doubtful'] as const;
export type Fate = (typeof ROW_FATES)[number];

/** Why a row that is not doubtful should be looked at before it counts. */
export const SUSPICIONS = [...PRICE_SUSPICIONS, 'currency', 'twice'] as const;
export type Suspicion = (typeof SUSPICIONS)[number];

/** May a person say that it is right after all? Another currency is not counted, and of one number only one row is. */
export const isAcceptable = (suspicion: Suspicion): boolean => suspicion !== 'currency' && suspicion !== 'twice';

/** What a list's rows are sorted into for anyone who looks at it, what wants eyes first. */
export const REVIEW_GROUPS = ['suspicious', 'doubtful', 'new', 'up', 'down', 'same'] as const;
export type ReviewGroup = (typeof REVIEW_GROUPS)[number];
