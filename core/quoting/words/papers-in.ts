import type { Language } from '../../language';
import { DE } from './de';
import { EN } from './en';
import { FR } from './fr';
import type { PaperWords } from './paper-words';

export const PAPER_WORDS: Record<Language, PaperWords> = { en: EN, de: DE, fr: FR };
