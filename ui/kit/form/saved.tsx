import type { ReactNode } from 'react';
import { Notice } from '../notice';
import type { Typing } from './use-typed';

/**
 * Says that what was sent is saved, right below the form until something is typed again. The region is there before its words,
 * so that they are announced (ARIA 1.2, role `status`).
 */
export const Saved = ({ typing, children }: { typing: Pick<Typing<never>, 'isSaved'>; children: ReactNode }) => (
  <div role="status">{typing.isSaved && <Notice tone="good">{children}</Notice>}</div>
);
