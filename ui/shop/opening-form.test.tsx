/** @jest-environment jsdom */

import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { WithWords } from '@/ui/words/testing/with-words';
import { staffWords } from '@/words/staff-words';
import { OpeningForm } from './opening-form';
import { NO_OPENING, readOpening } from './opening-typed';

const t = staffWords('en', 'door');

const call = jest.fn();
jest.mock('../client/session-guard', () => ({ callOnce: (...of: unknown[]) => call(...of) }));
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: jest.fn() }) }));
afterEach(() => {
  cleanup();
  call.mockReset();
});

const FILLED = {
  ...NO_OPENING,
  code: 'ABCD-EFGH-JKMN',
  name: 'Harbour Bench',
  town: 'Skerrow',
  ownerName: 'Wren Hollis',
  signIn: 'wren',
  password: 'long enough',
  again: 'long enough',
};

describe('a shop as it is opened', () => {
  it('is sent with its owner, its money as the country has it', () => {
    const read = readOpening(t, { ...FILLED, currency: ' nok ', tax: '25', labour: '390' });
    expect(read).toMatchObject({
      ok: true,
      value: {
        code: 'ABCD-EFGH-JKMN',
        shop: {
          name: 'Harbour Bench',
          currency: 'NOK',
          taxBp: 2500,
          labourCents: 39_000,
          owner: { name: 'Wren Hollis', signIn: 'wren', password: 'long enough' },
        },
      },
    });
  });

  test.each([
    [{ code: '' }, 'code'],
    [{ name: '' }, 'name'],
    [{ currency: 'crowns' }, 'currency'],
    [{ tax: '120' }, 'tax'],
    [{ labour: 'dear' }, 'labour'],
    [{ ownerName: ' ' }, 'ownerName'],
    [{ signIn: '?' }, 'signIn'],
    [{ password: 'short', again: 'short' }, 'password'],
    [{ again: 'another one' }, 'again'],
  ])('%j is told at its field', (more, field) => {
    const read = readOpening(t, { ...FILLED, ...more });
    expect(read.ok ? [] : Object.keys(read.wrong)).toEqual([field]);
  });
});

test('a country fills in what is usual there, and a refused code stands at its field', async () => {
  call.mockResolvedValue({ ok: false, code: 'forbidden', at: 'code', sentence: 'This is not the code.' });
  render(<OpeningForm timeZones={['UTC', 'Europe/Oslo']} />, { wrapper: WithWords });
  const type = (label: string, text: string) => userEvent.type(screen.getByLabelText(label, { exact: true }), text);
  await type('Code from the terminal', 'WRNG-WRNG-WRNG');
  await type('Shop', 'Harbour Bench');
  await type('Town', 'Skerrow');
  await userEvent.selectOptions(screen.getByLabelText('Country'), 'NO');
  expect(screen.getByLabelText<HTMLInputElement>('Currency').value).toBe('NOK');
  expect(screen.getByLabelText<HTMLInputElement>('Tax').value).toBe('25');
  expect(screen.getByLabelText<HTMLSelectElement>('Time zone').value).toBe('Europe/Oslo');
  await type('Your name', 'Wren Hollis');
  await type('Username', 'wren');
  await type('Password', 'long enough');
  await type('Repeat password', 'long enough');
  await userEvent.click(screen.getByRole('button', { name: 'Open your shop' }));
  await screen.findByText('This is not the code.');
  expect(call.mock.calls[0]?.slice(0, 2)).toEqual(['POST', '/api/open']);
  await waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText('Code from the terminal')));
  expect(screen.getByLabelText<HTMLInputElement>('Your name').value).toBe('Wren Hollis');
});
