/** The sections of the guides, in their order in every language; the anchors of the help page. */
export const HELP_SECTIONS = {
  technicians: [
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
  ],
  owners: [
    'first-quote',
    'staff',
    'sellers',
    'price-lists',
    'feeds',
    'originals',
    'stock',
    'moving-in',
    'prices',
    'work-and-tax',
    'other-lines',
    'texts',
    'quote-says',
    'mail',
    'customers-see',
    'suggestions',
    'background',
    'stored',
  ],
} as const;
export type Guide = keyof typeof HELP_SECTIONS;
export const GUIDES = Object.keys(HELP_SECTIONS) as Guide[];
export type HelpSection = (typeof HELP_SECTIONS)[Guide][number];

const BEGINNINGS: readonly [RegExp, HelpSection][] = [
  [/^\/counter/, 'job'],
  [/^\/jobs\/\d+\/intake$/, 'intake'],
  [/^\/jobs\/\d+\/limits$/, 'limits'],
  [/^\/jobs\/\d+\/options$/, 'options'],
  [/^\/jobs\/\d+\/quote$/, 'quote'],
  [/^\/jobs\/\d+\/fitting$/, 'fitting'],
  [/^\/jobs\/\d+\/proof$/, 'proof'],
  [/^\/models/, 'models'],
  [/^\/offers\/lists/, 'price-lists'],
  [/^\/offers/, 'offers'],
  [/^\/orders/, 'orders'],
  [/^\/people/, 'staff'],
  [/^\/moving-in/, 'moving-in'],
  [/^\/settings/, 'prices'],
];

/** Where the help about a screen stands. */
export function helpAddress(path: string): string {
  const section = BEGINNINGS.find(([beginning]) => beginning.test(path))?.[1];
  return section === undefined ? '/help' : `/help#${section}`;
}
