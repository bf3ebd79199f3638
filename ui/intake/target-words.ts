import type { TargetCaution, TargetReason } from '@/core/machine/suggest-target';
import type { StaffWords } from '@/words/staff-words';
import { capacityText } from '../words/amounts';

type Words = StaffWords<'intake'>;

/** Why a target is so high, in words. */
export function targetReasonText(t: Words, reason: TargetReason): string {
  const need = capacityText(reason.needMiB);
  switch (reason.because) {
    case 'use': {
      const { use, reason: why } = reason;
      return why === '' ? t('target.use', { use, need }) : t('target.useWhy', { use, need, why });
    }
    case 'in-use':
      return t('target.inUse', { inUse: capacityText(reason.inUseMiB), need });
    case 'system':
      return t('target.system', { os: reason.os, need });
    case 'floor':
      return t('target.floor', { need });
  }
}

/** What to tell the customer before selling memory, in words. */
export function cautionText(t: Words, one: TargetCaution): string {
  switch (one.caution) {
    case 'storage-full':
      return t('target.storageFull');
    case 'neither-full':
      return t('target.neitherFull');
    case 'system-sees':
      return t(one.bits32 ? 'target.sees32' : 'target.sees', { visible: capacityText(one.visibleMiB) });
    case 'enough-today':
      return t('target.enough', { today: capacityText(one.todayMiB) });
  }
}
