import { read } from '../read';

const slotsOf = (text: string): string[] | string => {
  const result = read(text);
  if (!result.ok || result.reading.format !== 'machine-text') return result.ok ? result.reading.format : result.code;
  return (result.reading.machine?.memory.slots ?? []).map(({ locator, installed }) =>
    installed === null
      ? `${locator}: -`
      : `${locator}: ${installed.capacityMiB} ${installed.generation} ${installed.rateMTs} ${installed.configuredRateMTs}`,
  );
};

describe('a firmware’s screen', () => {
  it('tells of each slot in a line, however its columns were parted', () => {
    const screen =
      'System Information\nDIMM A1: 8192 MB DDR4-2666\nDIMM A2: Not installed\nDIMM B1   8192 MB DDR4-2666\nDIMM B2 Empty';
    expect(slotsOf(screen)).toEqual([
      'DIMM A1: 8192 DDR4 2666 null',
      'DIMM A2: -',
      'DIMM B1: 8192 DDR4 2666 null',
      'DIMM B2: -',
    ]);
    expect(slotsOf('ChannelA-DIMM0 Size: 4096 MB Type: DDR3\nChannelB-DIMM0 Size: 4096 MB Type: DDR3')).toEqual([
      'ChannelA-DIMM0: 4096 DDR3 null null',
      'ChannelB-DIMM0: 4096 DDR3 null null',
    ]);
  });

  it('shares what it says of all its memory', () => {
    expect(slotsOf('Memory Type: DDR3\nMemory Frequency: 1333 MHz\nDIMM 1: 2048 MB\nDIMM 2: 2048 MB')).toEqual([
      'DIMM 1: 2048 DDR3 null 1333',
      'DIMM 2: 2048 DDR3 null 1333',
    ]);
  });

  it('says what is installed without telling of slots', () => {
    const result = read('Main\nInstalled Memory: 32 GB\nMemory Speed: 3200 MHz\nMemory Type: DDR4');
    expect(result.ok && result.reading.machine?.memory).toMatchObject({ installedMiB: 32768, slots: [] });
  });

  it('is none where it says what may be put in, or what is sold', () => {
    expect(slotsOf('DIMM 1: up to 16 GB DDR4\nDIMM 2: up to 16 GB DDR4')).not.toEqual(expect.any(Array));
    expect(slotsOf('Slot 1: 8 GB max\nSlot 2: 8 GB max\nDDR3')).not.toEqual(expect.any(Array));
    const sold =
      'Installed Memory: 8 GB\nMemory Type: DDR4\nMemory Speed: 2400 MHz\nGraphics: 2 GB\nStorage: 512 GB\nWeight: 1.4 kg';
    expect(slotsOf(sold)).not.toEqual(expect.any(Array));
  });
});
