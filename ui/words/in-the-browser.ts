'use client';
import { useTranslations as useWords } from 'use-intl';
import type { StaffMessages, StaffWords } from '@/words/staff-words';

/* What `#translations` is wherever components run: words come from the provider around them. */

/** Says the words of a screen. */
export const useTranslations = useWords as unknown as <Of extends keyof StaffMessages>(of: Of) => StaffWords<Of>;
