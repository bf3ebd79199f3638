/** The demo shop is the same for the same seed. */
export const DEMO_SEED = 20_261_125;
