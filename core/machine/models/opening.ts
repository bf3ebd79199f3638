import type { OpeningStep } from './model';

/** Steps without their photographs, which are of one model in one shop. */
export const withoutPhotos = (steps: readonly OpeningStep[]): OpeningStep[] =>
  steps.map(({ photo: _, ...step }) => step);
