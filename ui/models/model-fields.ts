import type { FullModel } from '@/core/machine/models/model';

export type ModelFields = Omit<FullModel, 'slots' | 'claims' | 'trials' | 'testedParts'>;
