import { type Drawing, drawn, photographed, type Treatment } from './made-photo';

/** A made photograph with what it truly says. */
export interface MadePhoto {
  name: string;
  kind: 'module' | 'lid' | 'firmware' | 'panel';
  drawing: Drawing;
  treatment: Treatment;
  /** what is to be read off it, field by field */
  fields: Readonly<Record<string, string | number | boolean>>;
}

const SCREEN = { around: '#101014', quality: 88 } as const;
const FIRMWARE = { font: 'DejaVu Sans Mono', ink: '#e8e8f0', ground: '#0a1a5c', size: 30, width: 1100 } as const;
const PANEL = { ink: '#1b1b1b', ground: '#fbfbfb', size: 34, width: 900 } as const;
const DARK_PANEL = { ink: '#f0f0f0', ground: '#202020', size: 34, width: 900 } as const;

/** Thirty photographs: labels of modules and lids, firmware screens, panels of systems. */
export const MADE_PHOTOS: readonly MadePhoto[] = [
  {
    name: 'plain label',
    kind: 'module',
    drawing: { lines: ['VELLAMO', '8GB 1Rx8 PC4-2666V-SE1-11', 'P/N: VE4S8-2666', 'S/N: 4A1B77C0'] },
    treatment: { noise: 6, blur: 0.6 },
    fields: {
      capacityMiB: 8192,
      generation: 'DDR4',
      form: 'SO-DIMM',
      rateMTs: 2666,
      ranks: 1,
      part: 'VE4S8-2666',
      serial: '4A1B77C0',
    },
  },
  {
    name: 'turned by a quarter',
    kind: 'module',
    drawing: { lines: ['Tarn Memory', '16GB 2Rx8 PC4-3200AA-SE1-11', 'P/N: TM16-3200S'] },
    treatment: { turned: 90, noise: 8 },
    fields: { capacityMiB: 16384, generation: 'DDR4', form: 'SO-DIMM', rateMTs: 3200, ranks: 2, part: 'TM16-3200S' },
  },
  {
    name: 'upside down',
    kind: 'module',
    drawing: { lines: ['Orrin', '4GB 1Rx8 PC3L-12800S-11-13-B4', 'P/N: OR3L4-1600'], bold: true },
    treatment: { turned: 180, noise: 8, blur: 0.7 },
    fields: { capacityMiB: 4096, generation: 'DDR3', form: 'SO-DIMM', rateMTs: 1600, ranks: 1, part: 'OR3L4-1600' },
  },
  {
    name: 'in perspective',
    kind: 'module',
    drawing: { lines: ['Vellamo', '8GB 2Rx8 PC4-2400T-UB1-11', 'P/N: VE4D8-2400'] },
    treatment: { perspective: 0.16, noise: 6 },
    fields: { capacityMiB: 8192, generation: 'DDR4', form: 'DIMM', rateMTs: 2400, ranks: 2, part: 'VE4D8-2400' },
  },
  {
    name: 'more perspective, held not straight',
    kind: 'module',
    drawing: { lines: ['Kaldur', '32GB 2Rx4 PC4-2933Y-RB2-12', 'P/N: KD32R-2933'] },
    treatment: { perspective: 0.22, tilt: 4, noise: 6 },
    fields: {
      capacityMiB: 32768,
      generation: 'DDR4',
      form: 'DIMM',
      buffering: 'registered',
      ecc: true,
      rateMTs: 2933,
      ranks: 2,
      part: 'KD32R-2933',
    },
  },
  {
    name: 'blurred',
    kind: 'module',
    drawing: { lines: ['Tarn Memory', '8GB 2Rx8 PC3-12800U-11-12-B1', 'P/N: TM8-1600U'] },
    treatment: { blur: 2, noise: 6 },
    fields: { capacityMiB: 8192, generation: 'DDR3', form: 'DIMM', rateMTs: 1600, ranks: 2, part: 'TM8-1600U' },
  },
  {
    name: 'noisy',
    kind: 'module',
    drawing: { lines: ['Orrin', '2GB 2Rx8 PC2-6400S-666-12', 'P/N: OR2-800S'] },
    treatment: { noise: 28, blur: 0.5 },
    fields: { capacityMiB: 2048, generation: 'DDR2', form: 'SO-DIMM', rateMTs: 800, ranks: 2, part: 'OR2-800S' },
  },
  {
    name: 'with glare',
    kind: 'module',
    drawing: { lines: ['Vellamo', '16GB 1Rx8 PC5-4800B-SA0-1010-XT', 'P/N: VE5S16-4800'], width: 1050 },
    treatment: { glare: 0.5, noise: 6 },
    fields: { capacityMiB: 16384, generation: 'DDR5', form: 'SO-DIMM', rateMTs: 4800, ranks: 1, part: 'VE5S16-4800' },
  },
  {
    name: 'in shade',
    kind: 'module',
    drawing: { lines: ['Kaldur', '16GB 2Rx8 PC4-2666V-EE1-11', 'P/N: KD16E-2666'] },
    treatment: { shade: 0.7, noise: 8 },
    fields: {
      capacityMiB: 16384,
      generation: 'DDR4',
      form: 'DIMM',
      buffering: 'unbuffered',
      ecc: true,
      rateMTs: 2666,
      ranks: 2,
      part: 'KD16E-2666',
    },
  },
  {
    name: 'small letters',
    kind: 'module',
    drawing: {
      lines: ['Vellamo Components', '8GB 1Rx8 PC4-3200AA-UA2-11', 'P/N: VE4D8-3200', 'S/N: 10C4E9A7'],
      size: 22,
      width: 520,
    },
    treatment: { noise: 6, blur: 0.5 },
    fields: {
      capacityMiB: 8192,
      generation: 'DDR4',
      form: 'DIMM',
      rateMTs: 3200,
      ranks: 1,
      part: 'VE4D8-3200',
      serial: '10C4E9A7',
    },
  },
  {
    name: 'with a code of part and serial',
    kind: 'module',
    drawing: {
      lines: ['Kaldur', '8GB 1Rx8 PC4-2666V-SA1-11'],
      codes: [{ text: '[)>\u001e06\u001d1PKD8S-2666\u001dS0077AE12\u001e\u0004', symbology: 'DataMatrix' }],
    },
    treatment: { noise: 6, blur: 0.6 },
    fields: {
      capacityMiB: 8192,
      generation: 'DDR4',
      form: 'SO-DIMM',
      rateMTs: 2666,
      ranks: 1,
      part: 'KD8S-2666',
      serial: '0077AE12',
    },
  },
  {
    name: 'with two bars, turned',
    kind: 'module',
    drawing: {
      lines: ['Tarn Memory', '32GB 2Rx8 PC4-3200AA-SE1-11', 'P/N: TM32-3200S', 'S/N: 55D01F20'],
      codes: [
        { text: 'TM32-3200S', symbology: 'Code128' },
        { text: '55D01F20', symbology: 'Code128' },
      ],
    },
    treatment: { turned: 270, noise: 6 },
    fields: {
      capacityMiB: 32768,
      generation: 'DDR4',
      form: 'SO-DIMM',
      rateMTs: 3200,
      ranks: 2,
      part: 'TM32-3200S',
      serial: '55D01F20',
    },
  },
  {
    name: 'bold, tilted, a little of everything',
    kind: 'module',
    drawing: { lines: ['ORRIN', '8GB 2Rx8 PC3L-12800S-11-13-F3', 'P/N: OR3L8-1600'], bold: true },
    treatment: { tilt: -3, noise: 10, blur: 0.8, glare: 0.2, shade: 0.3 },
    fields: { capacityMiB: 8192, generation: 'DDR3', form: 'SO-DIMM', rateMTs: 1600, ranks: 2, part: 'OR3L8-1600' },
  },
  {
    name: 'words of the trade',
    kind: 'module',
    drawing: {
      lines: ['Kestwick', 'DDR4 SO-DIMM 16GB 2666MHz CL19 1.2V', 'P/N: KW-16S26'],
      width: 1050,
      font: 'DejaVu Serif',
    },
    treatment: { noise: 8, perspective: 0.08 },
    fields: { capacityMiB: 16384, generation: 'DDR4', form: 'SO-DIMM', rateMTs: 2666, part: 'KW-16S26' },
  },
  {
    name: 'lid, plain',
    kind: 'lid',
    drawing: {
      lines: ['Halvern Vane 14', 'Memory: 2 x SO-DIMM DDR4-2400', 'Maximum memory: 32 GB (2 x 16 GB)'],
      size: 36,
    },
    treatment: { noise: 8, blur: 0.6 },
    fields: { slotCount: 2, generations: 'DDR4', form: 'SO-DIMM', totalMiB: 32768, moduleMiB: 16384 },
  },
  {
    name: 'lid, old',
    kind: 'lid',
    drawing: {
      lines: ['Model: Ostrell Note 7', 'Memory slots: 2', 'DDR3 SO-DIMM, max. 8 GB per slot', 'Maximum memory 16 GB'],
      size: 36,
    },
    treatment: { shade: 0.5, noise: 10 },
    fields: { slotCount: 2, generations: 'DDR3', form: 'SO-DIMM', totalMiB: 16384, moduleMiB: 8192 },
  },
  {
    name: 'lid, turned',
    kind: 'lid',
    drawing: { lines: ['Kestwick KP2-T', 'Supports up to 64 GB DDR4 ECC', '4 DIMM slots', '2133 MHz'], size: 38 },
    treatment: { turned: 90, noise: 8 },
    fields: { slotCount: 4, generations: 'DDR4', totalMiB: 65536 },
  },
  {
    name: 'lid, perspective',
    kind: 'lid',
    drawing: {
      lines: ['Merle Desk S3', 'Memory type: DDR5 SO-DIMM', 'Memory slots: 2', 'Maximum memory: 64 GB'],
      size: 38,
    },
    treatment: { perspective: 0.15, noise: 8 },
    fields: { slotCount: 2, generations: 'DDR5', form: 'SO-DIMM', totalMiB: 65536 },
  },
  {
    name: 'lid, German',
    kind: 'lid',
    drawing: {
      lines: ['Arbeitsspeicher: 2 Steckplätze', 'DDR4 SO-DIMM 2666 MT/s', 'Maximaler Speicher: 32 GB'],
      size: 38,
    },
    treatment: { noise: 8, blur: 0.7 },
    fields: { slotCount: 2, generations: 'DDR4', form: 'SO-DIMM', totalMiB: 32768 },
  },
  {
    name: 'lid, glare',
    kind: 'lid',
    drawing: { lines: ['Halvern Loft 2', 'Max memory 16 GB', '2 slots DDR3L SO-DIMM 1600 MHz'], size: 38 },
    treatment: { glare: 0.45, noise: 8 },
    fields: { slotCount: 2, generations: 'DDR3', form: 'SO-DIMM', totalMiB: 16384 },
  },
  {
    name: 'firmware, slots by name',
    kind: 'firmware',
    drawing: {
      ...FIRMWARE,
      lines: [
        'System Information',
        'Total Memory: 16384 MB',
        'DIMM A1: 8192 MB DDR4-2666',
        'DIMM A2: Not installed',
        'DIMM B1: 8192 MB DDR4-2666',
        'DIMM B2: Not installed',
      ],
    },
    treatment: { ...SCREEN, noise: 6, blur: 0.6 },
    fields: { visibleMiB: 16384, filled: 2 },
  },
  {
    name: 'firmware, in perspective',
    kind: 'firmware',
    drawing: {
      ...FIRMWARE,
      lines: [
        'Memory Configuration',
        'ChannelA-DIMM0   Size: 4096 MB   Type: DDR3',
        'ChannelB-DIMM0   Size: 4096 MB   Type: DDR3',
      ],
    },
    treatment: { ...SCREEN, perspective: 0.12, noise: 8 },
    fields: { filled: 2 },
  },
  {
    name: 'firmware, grey',
    kind: 'firmware',
    drawing: {
      ...FIRMWARE,
      ink: '#101010',
      ground: '#b8b8b8',
      lines: ['Main', 'Installed Memory: 32 GB', 'Memory Speed: 3200 MHz', 'Memory Type: DDR4'],
    },
    treatment: { ...SCREEN, noise: 8, shade: 0.3 },
    fields: { installedMiB: 32768 },
  },
  {
    name: 'firmware, blurred',
    kind: 'firmware',
    drawing: {
      ...FIRMWARE,
      lines: ['Memory Size: 4096 MB', 'Memory Frequency: 1333 MHz', 'DIMM 1: 2048 MB', 'DIMM 2: 2048 MB'],
    },
    treatment: { ...SCREEN, blur: 1.4, noise: 6 },
    fields: { filled: 2 },
  },
  {
    name: 'firmware, bright letters on black',
    kind: 'firmware',
    drawing: {
      ...FIRMWARE,
      ground: '#000000',
      ink: '#c8c8c8',
      lines: ['Total memory: 65536 MB', 'Memory speed: 2933 MT/s', 'ECC: Enabled'],
    },
    treatment: { ...SCREEN, noise: 10 },
    fields: { visibleMiB: 65536 },
  },
  {
    name: 'panel',
    kind: 'panel',
    drawing: {
      ...PANEL,
      lines: ['Memory    16.0 GB DDR4', 'Speed: 2667 MHz', 'Slots used: 2 of 4', 'Form factor: DIMM'],
    },
    treatment: { ...SCREEN, noise: 6 },
    fields: { installedMiB: 16384, slotCount: 4, filled: 2 },
  },
  {
    name: 'panel, dark',
    kind: 'panel',
    drawing: {
      ...DARK_PANEL,
      lines: ['Memory    8.0 GB DDR4', 'Speed: 3200 MHz', 'Slots used: 1 of 2', 'Form factor: SODIMM'],
    },
    treatment: { ...SCREEN, noise: 8, blur: 0.6 },
    fields: { installedMiB: 8192, slotCount: 2, filled: 1 },
  },
  {
    name: 'panel, German',
    kind: 'panel',
    drawing: {
      ...PANEL,
      lines: [
        'Arbeitsspeicher   32,0 GB DDR5',
        'Geschwindigkeit: 4800 MHz',
        'Verwendete Steckplätze: 2 von 2',
        'Formfaktor: SODIMM',
      ],
    },
    treatment: { ...SCREEN, noise: 6 },
    fields: { installedMiB: 32768, slotCount: 2, filled: 2 },
  },
  {
    name: 'panel, tilted',
    kind: 'panel',
    drawing: {
      ...PANEL,
      lines: ['Memory    4.0 GB DDR3', 'Speed: 1600 MHz', 'Slots used: 1 of 2', 'Form factor: SODIMM'],
    },
    treatment: { ...SCREEN, tilt: 3, noise: 8 },
    fields: { installedMiB: 4096, slotCount: 2, filled: 1 },
  },
  {
    name: 'panel, summary',
    kind: 'panel',
    drawing: { ...PANEL, lines: ['Total Physical Memory: 16,221 MB', 'Available Physical Memory: 9,120 MB'] },
    treatment: { ...SCREEN, perspective: 0.1, noise: 8 },
    fields: { visibleMiB: 16221 },
  },
];

/** The picture itself (JPEG), the same each time. */
export async function madePhoto(photo: MadePhoto): Promise<Buffer> {
  return photographed(await drawn(photo.drawing), photo.treatment, photo.name.length * 7919);
}
