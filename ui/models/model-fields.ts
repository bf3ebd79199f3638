import type { FullModel } from '@/core/machine/model';

export type ModelFields = Omit<FullModel, 'slots' | 'claims' | 'trials' | 'testedParts'>;
