import { HELP_SECTIONS, helpAddress } from './help-sections';

test.each([
  ['/counter', '/help#job'],
  ['/counter/closed', '/help#job'],
  ['/jobs/12/intake', '/help#intake'],
  ['/jobs/12/proof', '/help#proof'],
  ['/models/3', '/help#models'],
  ['/offers/market', '/help#offers'],
  ['/orders/1', '/help#orders'],
  ['/offers/lists/4', '/help#price-lists'],
  ['/people', '/help#staff'],
  ['/moving-in', '/help#moving-in'],
  ['/settings', '/help#prices'],
  ['/open', '/help'],
])('the help about %s stands at %s', (path, address) => {
  expect(helpAddress(path)).toBe(address);
});

it('leads every station to a section of its name', () => {
  for (const station of ['intake', 'limits', 'options', 'quote', 'fitting', 'proof'] as const) {
    expect(HELP_SECTIONS.technicians).toContain(station);
    expect(helpAddress(`/jobs/1/${station}`)).toBe(`/help#${station}`);
  }
});
