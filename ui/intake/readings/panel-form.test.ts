import { read } from '@/core/reading/read';
import { panelText } from './panel-form';

describe('what is typed off a screen', () => {
  it('is read as the screen’s own text would be', () => {
    const typed = { total: '16', generation: 'DDR4', rate: '2667', used: '2', slots: '4', form: 'SODIMM' };
    const result = read(panelText(typed));
    expect(result).toMatchObject({ ok: true, reading: { format: 'machine-text' } });
    if (!result.ok) return;
    const memory = result.reading.machine?.memory;
    expect(memory).toMatchObject({ slotCount: 4, installedMiB: 16384 });
    expect(memory?.slots.map(({ installed }) => installed?.configuredRateMTs ?? null)).toEqual([
      2666,
      2666,
      null,
      null,
    ]);
  });

  it('needs no more than the slots and the total', () => {
    const typed = { total: '8 GB', generation: '', rate: '', used: '1', slots: '2', form: '' };
    const result = read(panelText(typed));
    expect(result.ok && result.reading.machine?.memory.slots[0]?.installed?.capacityMiB).toBe(8192);
  });
});
