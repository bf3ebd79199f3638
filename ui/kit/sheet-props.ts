import type { ReactNode } from 'react';

export interface SheetProps {
  title: string;
  description?: string;
  open: boolean;
  onClose?: () => void;
  /** for sheets that hold more than a few fields */
  wide?: boolean;
  children: ReactNode;
}
