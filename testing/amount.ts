/** Is this `npm run test:long`, in which everything runs whole? */
export const IS_LONG = process.env.FENBRIK_LONG === '1';

/** How much of something a test tries: so much that `npm test` takes some seconds over it, and all of it in the long run. */
export const amount = (brief: number, whole: number): number => (IS_LONG ? whole : brief);
