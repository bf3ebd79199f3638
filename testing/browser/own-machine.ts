/** A socket of a made-up laptop as its report prints it; null: nothing is in it. */
export interface OwnSocket {
  locator: string;
  mb: number | null;
  rate?: number;
}

const device = ({ locator, mb, rate = 2400 }: OwnSocket, nr: number): string => {
  const rows =
    mb === null
      ? [
          'Size: No Module Installed',
          'Form Factor: Unknown',
          `Locator: ${locator}`,
          `Bank Locator: BANK ${nr}`,
          'Type: Unknown',
        ]
      : [
          `Size: ${mb} MB`,
          'Form Factor: SODIMM',
          `Locator: ${locator}`,
          `Bank Locator: BANK ${nr}`,
          'Type: DDR4',
          'Type Detail: Synchronous Unbuffered (Unregistered)',
          `Speed: ${rate} MT/s`,
          'Manufacturer: Corrick',
          'Serial Number: 00000000',
          'Part Number: CK4S8-24',
          'Rank: 1',
          `Configured Memory Speed: ${rate} MT/s`,
          'Configured Voltage: 1.2 V',
        ];
  const head = `Handle 0x00${(0x28 + nr).toString(16).toUpperCase()}, DMI type 17, 40 bytes\nMemory Device`;
  return [head, 'Total Width: 64 bits', 'Data Width: 64 bits', ...rows].join('\n\t');
};

/** The printed text of a made-up laptop's SMBIOS tables (DMTF DSP0134), with these sockets. */
export function ownReport(sockets: readonly OwnSocket[]): string {
  return [
    'SMBIOS 3.1.1 present.',
    'Handle 0x0001, DMI type 1, 27 bytes\nSystem Information\n\tManufacturer: Tarnholt\n\tProduct Name: Lumen 5\n\tSerial Number: LM5-0417',
    'Handle 0x0004, DMI type 4, 48 bytes\nProcessor Information\n\tSocket Designation: CPU0\n\tType: Central Processor\n\tVersion: Merle 4300\n\tStatus: Populated, Enabled',
    `Handle 0x0027, DMI type 16, 23 bytes\nPhysical Memory Array\n\tLocation: System Board Or Motherboard\n\tUse: System Memory\n\tError Correction Type: None\n\tMaximum Capacity: 32 GB\n\tNumber Of Devices: ${sockets.length}`,
    ...sockets.map(device),
    '',
  ].join('\n\n');
}
