/** The sections of the technicians' guide, in their order in every language; the anchors of the help page. */
export const HELP_SECTIONS = [
  'job',
  'intake',
  'board',
  'limits',
  'models',
  'options',
  'offers',
  'quote',
  'orders',
  'fitting',
  'proof',
  'together',
  'changed-order',
  'lowest-margin',
  'for-the-customer',
] as const;
export type HelpSection = (typeof HELP_SECTIONS)[number];

const BEGINNINGS: readonly [RegExp, HelpSection][] = [
  [/^\/counter/, 'job'],
  [/^\/jobs\/\d+\/intake$/, 'intake'],
  [/^\/jobs\/\d+\/limits$/, 'limits'],
  [/^\/jobs\/\d+\/options$/, 'options'],
  [/^\/jobs\/\d+\/quote$/, 'quote'],
  [/^\/jobs\/\d+\/fitting$/, 'fitting'],
  [/^\/jobs\/\d+\/proof$/, 'proof'],
  [/^\/models/, 'models'],
  [/^\/offers/, 'offers'],
  [/^\/orders/, 'orders'],
];

/** Where the help about a screen stands. */
export function helpAddress(path: string): string {
  const section = BEGINNINGS.find(([beginning]) => beginning.test(path))?.[1];
  return section === undefined ? '/help' : `/help#${section}`;
}
