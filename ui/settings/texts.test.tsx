/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SUPPLIED_TEXTS, TEXT_KEYS, textWrong } from '@/core/quoting/words/shop-texts';
import { WithWords } from '@/ui/words/testing/with-words';
import { type ShownText, Texts } from './texts';

const save = jest.fn(async () => ({ ok: true }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
afterEach(() => {
  cleanup();
  save.mockClear();
});

const approved = { by: 'Runa Petrel', on: '2026-12-01' };
const rowsIn = (language: 'en' | 'de' | 'fr', open: number): ShownText[] =>
  TEXT_KEYS.map((key, nr) => {
    const words = SUPPLIED_TEXTS[language][key];
    return { key, words, supplied: words, approved: nr < open ? null : approved };
  });
function shown(open = 2, more: Partial<ShownText> = {}) {
  const en = rowsIn('en', open);
  const [first, ...others] = en;
  const rows = {
    en: [{ ...(first as ShownText), ...more }, ...others],
    de: rowsIn('de', 0),
    fr: rowsIn('fr', TEXT_KEYS.length),
  };
  render(
    <WithWords>
      <Texts rows={rows} usual="en" />
    </WithWords>,
  );
}
const lineOf = (nr: number) => within(screen.getAllByRole('listitem')[nr] as HTMLElement);

describe('the texts that customers read', () => {
  it('say who approved each and when, and which are not approved', () => {
    shown();
    expect(lineOf(0).getByText('not approved')).toBeTruthy();
    expect(lineOf(2).getByText(/^✓ Runa Petrel, 1 Dec/)).toBeTruthy();
    expect(lineOf(2).queryByRole('button', { name: 'Approve' })).toBeNull();
  });

  it('are approved one by one, or all that are open at once', async () => {
    shown();
    await userEvent.click(lineOf(0).getByRole('button', { name: 'Approve' }));
    const [key] = TEXT_KEYS;
    expect(save).toHaveBeenLastCalledWith('PUT', '/api/texts', {
      language: 'en',
      texts: [{ key, words: key === undefined ? '' : SUPPLIED_TEXTS.en[key] }],
    });
    await userEvent.click(screen.getByRole('button', { name: /^Approve .*2/ }));
    const [, , body] = save.mock.calls.at(-1) as unknown as [string, string, { texts: object[] }];
    expect(body.texts).toHaveLength(2);
  });

  it('are reworded, and approved as they then read', async () => {
    shown(0);
    await userEvent.click(lineOf(1).getByRole('button', { name: /^Edit/ }));
    const field = lineOf(1).getByRole('textbox');
    await userEvent.clear(field);
    expect(lineOf(1).getByRole('button', { name: 'Approve' }).hasAttribute('disabled')).toBe(true);
    expect(lineOf(1).getByText('Enter the text.')).toBeTruthy();
    await userEvent.type(field, 'It has {{price}.');
    expect(lineOf(1).getByText(/^\{price\} is not known: write \{total\}/)).toBeTruthy();
    await userEvent.clear(field);
    await userEvent.type(field, 'Read this twice.');
    await userEvent.click(lineOf(1).getByRole('button', { name: 'Approve' }));
    expect(save).toHaveBeenLastCalledWith('PUT', '/api/texts', {
      language: 'en',
      texts: [{ key: TEXT_KEYS[1], words: 'Read this twice.' }],
    });
    expect(lineOf(1).queryByRole('textbox')).toBeNull();
  });

  it('go back to what was supplied, or stay as they were', async () => {
    shown(0, { words: 'Our own words.' });
    await userEvent.click(lineOf(0).getByRole('button', { name: /^Edit/ }));
    await userEvent.click(lineOf(0).getByRole('button', { name: 'Reset to supplied text' }));
    const [key] = TEXT_KEYS;
    expect(lineOf(0).getByRole<HTMLTextAreaElement>('textbox').value).toBe(SUPPLIED_TEXTS.en[key as 'ecc-lost']);
    await userEvent.click(lineOf(0).getByRole('button', { name: 'Cancel' }));
    expect(lineOf(0).getByText('Our own words.')).toBeTruthy();
    expect(save).not.toHaveBeenCalled();
  });

  it('stand in each language, marked as such, with how many are still open', async () => {
    shown();
    const french = screen.getByRole('button', { name: /^Français/ });
    expect(french.textContent).toContain(String(TEXT_KEYS.length));
    await userEvent.click(french);
    expect(french.getAttribute('aria-pressed')).toBe('true');
    expect(screen.getByText(SUPPLIED_TEXTS.fr['ecc-lost']).getAttribute('lang')).toBe('fr');
  });
});

test('every supplied text is one that a shop could have written', () => {
  for (const texts of Object.values(SUPPLIED_TEXTS))
    for (const text of Object.values(texts)) expect(textWrong(text)).toBeNull();
});
