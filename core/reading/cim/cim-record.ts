/** Classes whose properties are read; names end alike in DMTF CIM and in vendors' subclasses of it. */
export const CIM_CLASSES = [
  'PhysicalMemoryArray',
  'PhysicalMemory',
  'ComputerSystem',
  'OperatingSystem',
  'Processor',
  'BaseBoard',
  'BIOS',
] as const;
export type CimClass = (typeof CIM_CLASSES)[number];

/** An instance of a class: its properties by lower-case name, as text. Lists count by their first item. */
export interface CimRecord {
  cimClass: CimClass;
  properties: ReadonlyMap<string, string>;
}

/** Properties that are read of each class, in the spelling of the standard (DMTF CIM schema and SMBIOS mapping). */
const PROPERTIES: Record<CimClass, readonly string[]> = {
  PhysicalMemoryArray: ['MaxCapacity', 'MaxCapacityEx', 'MemoryDevices', 'MemoryErrorCorrection', 'Use'],
  PhysicalMemory: [
    'Attributes',
    'BankLabel',
    'Capacity',
    'ConfiguredClockSpeed',
    'ConfiguredVoltage',
    'DataWidth',
    'DeviceLocator',
    'FormFactor',
    'Manufacturer',
    'MaxVoltage',
    'MemoryType',
    'MinVoltage',
    'PartNumber',
    'SerialNumber',
    'SMBIOSMemoryType',
    'Speed',
    'TotalWidth',
    'TypeDetail',
  ],
  ComputerSystem: ['Manufacturer', 'Model', 'TotalPhysicalMemory', 'SystemType', 'SystemFamily'],
  OperatingSystem: ['Caption', 'OSArchitecture', 'TotalVisibleMemorySize', 'BuildNumber'],
  Processor: ['Name', 'SocketDesignation', 'NumberOfCores', 'MaxClockSpeed'],
  BaseBoard: ['Manufacturer', 'Product', 'SerialNumber'],
  BIOS: ['SMBIOSBIOSVersion', 'ReleaseDate', 'SerialNumber'],
};

const KNOWN: ReadonlyMap<CimClass, ReadonlySet<string>> = new Map(
  CIM_CLASSES.map((name) => [name, new Set(PROPERTIES[name].map((property) => property.toLowerCase()))]),
);

/** All property names that are read, lower case. */
export const CIM_PROPERTIES: ReadonlySet<string> = new Set([...KNOWN.values()].flatMap((names) => [...names]));

/**
 * What tells an instance's class where its name does not stand there: one of these sets of properties, the first that
 * is whole.
 */
const TELLING: readonly { cimClass: CimClass; names: readonly string[] }[] = [
  { cimClass: 'PhysicalMemoryArray', names: ['memorydevices'] },
  { cimClass: 'PhysicalMemory', names: ['capacity', 'devicelocator'] },
  { cimClass: 'PhysicalMemory', names: ['capacity', 'banklabel'] },
  { cimClass: 'PhysicalMemory', names: ['capacity', 'partnumber'] },
  { cimClass: 'PhysicalMemory', names: ['capacity', 'formfactor'] },
  { cimClass: 'PhysicalMemory', names: ['capacity', 'speed'] },
  { cimClass: 'BIOS', names: ['smbiosbiosversion'] },
  { cimClass: 'OperatingSystem', names: ['osarchitecture'] },
  { cimClass: 'Processor', names: ['name', 'socketdesignation'] },
  { cimClass: 'Processor', names: ['name', 'numberofcores'] },
  { cimClass: 'ComputerSystem', names: ['manufacturer', 'model'] },
  { cimClass: 'ComputerSystem', names: ['totalphysicalmemory'] },
  { cimClass: 'BaseBoard', names: ['manufacturer', 'product'] },
];

/** The class that a name ends in, e.g. `CIM_PhysicalMemory`, `…/Win32_PhysicalMemory`. */
export function classOfName(name: string): CimClass | null {
  const plain = name.toLowerCase();
  return CIM_CLASSES.find((one) => plain.endsWith(one.toLowerCase())) ?? null;
}

/** The class whose telling properties are among these names (lower case). */
export function classOfProperties(names: { has: (name: string) => boolean }): CimClass | null {
  return TELLING.find((one) => one.names.every((name) => names.has(name)))?.cimClass ?? null;
}

/** Only the properties of a class that are read. */
export function knownProperties(cimClass: CimClass, all: Iterable<readonly [string, string]>): Map<string, string> {
  const known = KNOWN.get(cimClass);
  return new Map([...all].filter(([name, value]) => value !== '' && known?.has(name)));
}

/** Instances above this many are not kept. */
export const MOST_RECORDS = 4096;
