/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Basket, BasketPart } from '@/service/orders/view';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { Baskets } from './baskets';

const push = jest.fn();
const save = jest.fn(async () => ({ ok: true, value: { id: 12 } }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
jest.mock('next/navigation', () => ({ useRouter: () => ({ push, refresh: jest.fn() }) }));
afterEach(() => {
  cleanup();
  save.mockClear();
  push.mockClear();
});

const part = (more: Partial<BasketPart>): BasketPart => ({
  jobId: 5,
  customer: 'Lisbet Arkwright',
  quoteNumber: '2026-0001',
  offerId: 31,
  title: 'Corrick 16 GB DDR4-2666 DIMM',
  sellerPart: 'CO4D16',
  quantity: 2,
  quotedCents: 2000,
  eachCents: 2000,
  printedCents: 2400,
  stock: 10,
  withdrawn: false,
  neededBy: null,
  onCondition: false,
  lateDays: 0,
  onSale: true,
  ...more,
});
const basket = (parts: BasketPart[], more: Partial<Basket> = {}): Basket => ({
  sellerId: 3,
  seller: 'Marrow Lane Memory',
  leadDays: 5,
  terms: null,
  leastCents: null,
  parts,
  ...more,
});
function shown(baskets: Basket[], { mayOrder = true, language = 'en' as StaffLanguage } = {}) {
  render(
    <WithWords language={language}>
      <Baskets baskets={baskets} currency="EUR" mayOrder={mayOrder} />
    </WithWords>,
  );
}

describe('what accepted jobs need of sellers', () => {
  it('is said to be nothing where all is on its way', () => {
    shown([]);
    expect(screen.getByText(/^Nothing to order/)).toBeTruthy();
  });

  it('is ordered whole, with a note, and leads to the order', async () => {
    shown([basket([part({}), part({ jobId: 6, offerId: 40, quantity: 1, customer: 'Iver Stroud' })])]);
    expect(screen.getByText('€60.00')).toBeTruthy();
    await userEvent.type(screen.getByLabelText('Note to the seller'), 'By the back door, please.');
    await userEvent.click(screen.getByRole('button', { name: 'Order these 2' }));
    expect(save).toHaveBeenCalledWith('POST', '/api/orders', {
      seller: 3,
      parts: [
        { job: 5, offer: 31, quantity: 2 },
        { job: 6, offer: 40, quantity: 1 },
      ],
      note: 'By the back door, please.',
    });
    expect(push).toHaveBeenCalledWith('/orders/12');
  });

  it('warns of what would come after the day on which the customer needs it', () => {
    const late = { neededBy: '2026-12-04', lateDays: 3 };
    shown([basket([part(late), part({ offerId: 40, neededBy: '2026-12-24' })])]);
    expect(screen.getAllByText(/needed by/).map(({ textContent }) => textContent)).toEqual([
      '△ here too late by 3 days: it is needed by 4 December 2026',
    ]);
    cleanup();
    shown([basket([part({ ...late, lateDays: 1 })])], { language: 'de' });
    expect(screen.getByText(/kommt 1 Tag zu spät/)).toBeTruthy();
  });

  it('marks what may have to go back', () => {
    shown([basket([part({ onCondition: true }), part({ offerId: 40 })])]);
    expect(screen.getAllByText(/agreed on condition/)).toHaveLength(1);
  });

  it('leaves out what is not ticked, and cannot be ordered empty', async () => {
    shown([basket([part({}), part({ jobId: 6, offerId: 40, quantity: 1 })])]);
    const [first, second] = screen.getAllByRole('checkbox');
    await userEvent.click(first as HTMLElement);
    expect(screen.getByRole('button', { name: 'Order this one' })).toBeTruthy();
    // The total is of what goes along.
    expect(within(screen.getByRole('region')).getAllByText('€20.00').length).toBeGreaterThan(1);
    await userEvent.click(second as HTMLElement);
    expect(screen.getByRole('button', { name: /^Order/ }).hasAttribute('disabled')).toBe(true);
    await userEvent.click(first as HTMLElement);
    await userEvent.click(screen.getByRole('button', { name: 'Order this one' }));
    expect(save).toHaveBeenCalledWith(
      'POST',
      '/api/orders',
      expect.objectContaining({ parts: [{ job: 5, offer: 31, quantity: 2 }] }),
    );
  });

  it('says how far the order is from the seller’s minimum, by what is ticked', async () => {
    shown([basket([part({}), part({ jobId: 6, offerId: 40, quantity: 1 })], { leastCents: 5000 })]);
    expect(screen.getByText(/Over the minimum order of €50.00/)).toBeTruthy();
    await userEvent.click(screen.getAllByRole('checkbox')[1] as HTMLElement);
    expect(screen.getByText(/€10.00 short of the minimum order of €50.00/)).toBeTruthy();
  });

  it.each([
    [{ eachCents: 2150 }, '△ €1.50 more expensive than quoted'],
    [{ eachCents: 1900 }, '€1.00 cheaper than quoted'],
    [{ stock: 1 }, '✕ only 1 left'],
  ])('says what moved since the quote: %j', (more, sentence) => {
    shown([basket([part(more)])]);
    expect(screen.getByText(sentence)).toBeTruthy();
  });

  it('leads to Quote for what is no longer on sale', () => {
    shown([basket([part({ onSale: false, eachCents: null })])]);
    expect(screen.getByRole('link', { name: 'choose options again' }).getAttribute('href')).toBe('/jobs/5/quote');
  });

  it('shows no amounts to who may not see them, and no way to order to who may not', () => {
    shown([basket([part({ eachCents: null, quotedCents: null })], { leastCents: 5000 })], { mayOrder: false });
    expect(screen.getByRole('region').textContent).not.toContain('€');
    expect(screen.getByText('A technician or an owner places orders.')).toBeTruthy();
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('has one prominent action: that of the first seller', () => {
    shown([
      basket([part({})]),
      basket([part({ jobId: 6 })], { sellerId: 4, seller: 'Quayside Components', leadDays: 1 }),
    ]);
    const prominent = screen.getAllByRole('button').filter(({ className }) => /\bbg-act\b/.test(className));
    expect(prominent).toHaveLength(1);
    expect(screen.getByText('1 day')).toBeTruthy();
  });

  it('is German on a German screen', () => {
    shown([basket([part({})])], { language: 'de' });
    expect(screen.getByLabelText('Nachricht an den Händler')).toBeTruthy();
    expect(screen.getByText('5 Tage')).toBeTruthy();
  });
});
