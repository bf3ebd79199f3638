/** @jest-environment jsdom */

import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { OrderLineView, OrderView } from '@/service/orders/view';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { OrderLines } from './order-lines';

const save = jest.fn(async () => ({ ok: true }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
afterEach(() => {
  cleanup();
  save.mockClear();
});

const counts = (more: Partial<OrderLineView['counts']>): OrderLineView['counts'] =>
  ({ quantity: 2, arrived: 0, faulty: 0, never: 0, waiting: 2, ...more }) as OrderLineView['counts'];
const line = (more: Partial<OrderLineView>): OrderLineView => ({
  id: 9,
  jobId: 5,
  customer: 'Lisbet Arkwright',
  title: 'Corrick 16 GB DDR4-2666 DIMM',
  sellerPart: 'CO4D16',
  quantity: 2,
  eachCents: 6632,
  counts: counts({}),
  state: 'waiting',
  news: [],
  ...more,
});
function shown(lines: OrderLineView[], more: Partial<OrderView> = {}, mayOrder = true, language: StaffLanguage = 'en') {
  const order = { id: 4, number: 'PO-2026-0004', cancelled: false, note: '', lines, ...more } as OrderView;
  render(
    <WithWords language={language}>
      <OrderLines order={order} currency="EUR" mayOrder={mayOrder} />
    </WithWords>,
  );
}
const sent = () => save.mock.calls.map((call) => (call as unknown[])[2]);

describe('the lines of an order', () => {
  it('say what was ordered for whom, and what all of it costs where that may be seen', () => {
    shown([line({}), line({ id: 10, eachCents: null, sellerPart: null, title: 'Vellamo 8 GB' })]);
    const [first, second] = screen.getAllByRole('listitem');
    expect(first?.textContent).toContain('2 × Corrick 16 GB DDR4-2666 DIMM');
    expect(first?.textContent).toContain('Lisbet Arkwright');
    expect(first?.textContent).toContain('€132.64');
    expect(second?.textContent).not.toContain('€');
    expect(screen.getAllByRole('link', { name: 'job 5' })[0]?.getAttribute('href')).toBe('/jobs/5/fitting');
  });

  it('are noted as arrived, all or one of them', async () => {
    shown([line({})]);
    await userEvent.click(screen.getByRole('button', { name: /2/ }));
    await userEvent.click(screen.getByRole('button', { name: 'One arrived' }));
    expect(sent()).toEqual([
      { line: 9, what: 'arrived', quantity: 2, note: '' },
      { line: 9, what: 'arrived', quantity: 1, note: '' },
    ]);
    cleanup();
    shown([line({ quantity: 1, counts: counts({ waiting: 1 }) })]);
    expect(screen.getByRole('button', { name: 'Arrived' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'One arrived' })).toBeNull();
  });

  it('have what is wrong with them noted in a few words', async () => {
    shown([line({})]);
    expect(screen.queryByLabelText('Problem')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Report a problem' }));
    await userEvent.type(screen.getByLabelText('Problem'), 'bent contacts');
    await userEvent.click(screen.getByRole('button', { name: /dead on arrival/ }));
    expect(sent()).toEqual([{ line: 9, what: 'dead', quantity: 1, note: 'bent contacts' }]);
    // Once it is noted the field is put away.
    expect(screen.queryByLabelText('Problem')).toBeNull();
  });

  it('are taken off the market only by who may order', async () => {
    shown([line({})], {}, false);
    await userEvent.click(screen.getByRole('button', { name: 'Report a problem' }));
    expect(screen.queryByRole('button', { name: /no longer available/ })).toBeNull();
    expect(screen.getByRole('button', { name: /not what was ordered/ })).toBeTruthy();
  });

  it('lead to the claim for what goes back, and to Quote for what is not to be had', async () => {
    const news = [
      { id: 1, kind: 'dead', quantity: 1, note: 'beeps twice', by: 'Teo Marsh' },
      { id: 2, kind: 'never', quantity: 1, note: '', by: null },
      { id: 3, kind: 'arrived', quantity: 1, note: '', by: 'Teo Marsh' },
    ] as OrderLineView['news'];
    shown([line({ news, counts: counts({ waiting: 0 }) })]);
    expect(screen.getByText(/1 dead on arrival: beeps twice/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Claim to the seller' }).getAttribute('href')).toBe(
      '/orders/4/claim?line=9',
    );
    expect(screen.getByRole('link', { name: 'Choose options again' }).getAttribute('href')).toBe('/jobs/5/quote');
    expect(screen.queryByRole('button', { name: 'Arrived' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(sent()).toEqual([{ line: 9, what: 'take-back' }]);
  });

  it('have no actions once the order is cancelled', () => {
    shown([line({})], { cancelled: true });
    expect(screen.queryAllByRole('button')).toEqual([]);
  });

  it('are German on a German screen', async () => {
    shown([line({ quantity: 1, counts: counts({ waiting: 1 }) })], {}, true, 'de');
    expect(screen.getByRole('button', { name: 'Angekommen' })).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Problem melden' }));
    expect(screen.getByRole('button', { name: /bei Ankunft defekt/ })).toBeTruthy();
    expect(screen.getByRole('button', { name: /nicht mehr lieferbar/ })).toBeTruthy();
  });
});
