/** Where what is bought comes from. */
export const ORIGINS = ['original', 'third-party', 'used'] as const;
export type Origin = (typeof ORIGINS)[number];

/** The one origin of all that a plan buys; `mixed` for several, `none` where nothing is bought. */
export const LANES = ['mixed', 'none', 'original', 'third-party', 'used'] as const;
export type Lane = (typeof LANES)[number];
