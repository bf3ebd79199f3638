/** @jest-environment jsdom */

import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { WithWords } from '@/ui/words/testing/with-words';
import { staffWords } from '@/words/staff-words';
import { SellerSheet } from './seller-sheet';
import { newSeller, readSeller, typedSeller } from './seller-typed';

const t = staffWords('en', 'offers');

const save = jest.fn();
jest.mock('../../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }));

beforeEach(() => {
  save.mockReset();
  save.mockResolvedValue({ ok: true, value: { changed: 2 } });
});
afterEach(cleanup);

const quayside = { ...newSeller('EUR', 2000), id: 7, name: 'Quayside Components', rating: 460, ratingCount: 120 };

describe('a seller as it is typed', () => {
  it('is read back as it was', () => {
    const read = readSeller(t, typedSeller(t, quayside, 'EUR'));
    expect(read).toMatchObject({
      ok: true,
      value: {
        name: 'Quayside Components',
        leadDays: 3,
        terms: { currency: 'EUR', taxBp: 2000, shipping: { kind: 'none' }, promotion: null },
        rating: 460,
        ratingCount: 120,
        leastOrderCents: null,
      },
    });
  });

  test.each([
    [{ name: ' ' }, 'name'],
    [{ currency: 'euro' }, 'currency'],
    [{ taxPercent: 'much' }, 'taxPercent'],
    [{ leadDays: 'soon' }, 'leadDays'],
    [{ shipping: 'dear' }, 'shipping'],
    [{ promotion: 'now' }, 'promotion'],
    [{ rating: 'good' }, 'rating'],
    [{ leastOrder: 'some' }, 'leastOrder'],
  ])('%j is told at its field', (more, field) => {
    const read = readSeller(t, { ...typedSeller(t, quayside, 'EUR'), ...more });
    expect(read.ok ? [] : Object.keys(read.wrong)).toEqual([field]);
  });

  it('asks nothing of amounts while it is not known in which money they are', () => {
    const read = readSeller(t, {
      ...typedSeller(t, quayside, 'EUR'),
      currency: '',
      shipping: '4.90',
      leastOrder: '25',
    });
    expect(read.ok ? [] : Object.keys(read.wrong)).toEqual(['currency']);
  });
});

describe('the sheet of a seller', () => {
  const said = jest.fn();
  const closed = jest.fn();
  const open = (seller: typeof quayside) =>
    render(<SellerSheet seller={seller} others={[]} currency="EUR" onClose={closed} onSaved={said} />, {
      wrapper: WithWords,
    });
  beforeEach(() => {
    said.mockReset();
    closed.mockReset();
  });

  it('changes its terms, and says how many prices follow', async () => {
    open(quayside);
    const lead = await screen.findByLabelText('Delivery time');
    await userEvent.clear(lead);
    await userEvent.type(lead, '5');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(closed).toHaveBeenCalledTimes(1));
    expect(save.mock.calls[0]?.slice(0, 2)).toEqual(['PUT', '/api/sellers/7']);
    expect(save.mock.calls[0]?.[2]).toMatchObject({ leadDays: 5, name: 'Quayside Components' });
    expect(said).toHaveBeenCalledWith('Quayside Components: 2 prices recalculated.');
  });

  it('stays open with what is wrong, and with what the server refuses', async () => {
    save.mockResolvedValueOnce({
      ok: false,
      code: 'conflict',
      at: 'name',
      sentence: 'There is a seller of that name.',
    });
    open({ ...quayside, id: 0, name: '' });
    await userEvent.click(await screen.findByRole('button', { name: 'Add' }));
    expect(save).not.toHaveBeenCalled();
    await userEvent.type(screen.getByLabelText('Name'), 'Quayside');
    await userEvent.click(screen.getByRole('button', { name: 'Add' }));
    await screen.findByText('There is a seller of that name.');
    expect(closed).not.toHaveBeenCalled();
    expect(save.mock.calls[0]?.slice(0, 2)).toEqual(['POST', '/api/sellers']);
  });
});
