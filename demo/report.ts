/** One memory device of a made-up machine. Empty fields print as firmware prints what it does not know. */
export interface ReportDevice {
  locator: string;
  bank?: string;
  /** MB; null: no module; 'unknown': the firmware does not say */
  mb: number | null | 'unknown';
  type?: string;
  form?: string;
  rate?: number | null;
  configured?: number | null;
  maker?: string;
  part?: string;
  serial?: string;
  ranks?: number;
  ecc?: boolean;
  detail?: string;
  volts?: string;
}

export interface ReportMachine {
  maker: string;
  product: string;
  serial: string;
  cpu: string;
  maxGb: number;
  devices: readonly ReportDevice[];
}

const orUnknown = (value: number | null | undefined): string => (value == null ? 'Unknown' : `${value} MT/s`);

function device(one: ReportDevice, index: number): string {
  const empty = one.mb === null;
  const rows: [string, string][] = [
    ['Array Handle', '0x0027'],
    ['Total Width', empty ? 'Unknown' : one.ecc ? '72 bits' : '64 bits'],
    ['Data Width', empty ? 'Unknown' : '64 bits'],
    ['Size', empty ? 'No Module Installed' : one.mb === 'unknown' ? 'Unknown' : `${one.mb} MB`],
    ['Form Factor', empty ? 'Unknown' : (one.form ?? 'DIMM')],
    ['Set', 'None'],
    ['Locator', one.locator],
    ['Bank Locator', one.bank ?? `BANK ${index}`],
    ['Type', empty ? 'Unknown' : (one.type ?? 'DDR4')],
    ['Type Detail', empty ? 'None' : (one.detail ?? 'Synchronous Unbuffered (Unregistered)')],
    ['Speed', empty ? 'Unknown' : orUnknown(one.rate)],
    ['Manufacturer', empty ? 'NO DIMM' : (one.maker ?? 'Unknown')],
    ['Serial Number', empty ? 'NO DIMM' : (one.serial ?? '00000000')],
    ['Part Number', empty ? 'NO DIMM' : `${one.part ?? 'Unknown'}   `],
    ['Rank', empty || one.ranks === undefined ? 'Unknown' : String(one.ranks)],
    ['Configured Memory Speed', empty ? 'Unknown' : orUnknown(one.configured ?? one.rate)],
    ['Configured Voltage', empty ? 'Unknown' : (one.volts ?? '1.2 V')],
  ];
  const head = `Handle 0x00${(0x28 + index).toString(16).toUpperCase()}, DMI type 17, 40 bytes`;
  return [head, 'Memory Device', ...rows.map(([name, value]) => `\t${name}: ${value}`)].join('\n');
}

/** The printed text of a made-up machine's SMBIOS tables (DMTF DSP0134, structures 0, 1, 2, 4, 16, 17). */
export function reportText(machine: ReportMachine): string {
  return [
    'SMBIOS 3.1.1 present.',
    'Handle 0x0000, DMI type 0, 26 bytes\nBIOS Information\n\tVendor: Skerrow Firmware\n\tVersion: 1.14\n\tRelease Date: 03/11/2019',
    `Handle 0x0001, DMI type 1, 27 bytes\nSystem Information\n\tManufacturer: ${machine.maker}\n\tProduct Name: ${machine.product}\n\tVersion: Default string\n\tSerial Number: ${machine.serial}`,
    `Handle 0x0002, DMI type 2, 15 bytes\nBase Board Information\n\tManufacturer: ${machine.maker}\n\tProduct Name: ${machine.product}-MB\n\tSerial Number: To Be Filled By O.E.M.`,
    `Handle 0x0014, DMI type 4, 48 bytes\nProcessor Information\n\tSocket Designation: CPU0\n\tType: Central Processor\n\tVersion: ${machine.cpu}\n\tStatus: Populated, Enabled`,
    `Handle 0x0027, DMI type 16, 23 bytes\nPhysical Memory Array\n\tLocation: System Board Or Motherboard\n\tUse: System Memory\n\tError Correction Type: None\n\tMaximum Capacity: ${machine.maxGb} GB\n\tNumber Of Devices: ${machine.devices.length}`,
    ...machine.devices.map(device),
    '',
  ].join('\n\n');
}
