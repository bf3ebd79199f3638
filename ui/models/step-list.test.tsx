/** @jest-environment jsdom */

import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { OpeningStep } from '@/core/machine/models/model';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { StepList } from './step-list';

const save = jest.fn(async () => ({ ok: true }));
jest.mock('../client/use-save', () => ({ useSave: () => ({ busy: false, sentence: null, save }) }));
afterEach(() => {
  cleanup();
  save.mockClear();
});

const step = (text: string, more: Partial<OpeningStep> = {}): OpeningStep => ({
  text,
  tool: '',
  fasteners: null,
  lengthMm: null,
  unplug: '',
  caution: '',
  minutes: null,
  photo: null,
  ...more,
});
const STEPS = [
  step('Turn the till over onto a cloth'),
  step('Open the door in the base', {
    tool: 'cross-head 1',
    fasteners: 2,
    lengthMm: 6,
    caution: 'The cable is short.',
    photo: 4,
  }),
];
function shown({ mayWrite = true, language = 'en' as StaffLanguage } = {}) {
  render(
    <WithWords language={language}>
      <StepList modelId={1} steps={STEPS} photos={[]} mayWrite={mayWrite} />
    </WithWords>,
  );
}

describe('how a machine is opened', () => {
  it('says each step with its tool, screws, picture and caution', () => {
    shown();
    const [, second] = screen.getAllByRole('listitem');
    expect(second?.textContent).toContain('Open the door in the base · cross-head 1');
    expect(second?.textContent).toContain('△ The cable is short.');
    expect(
      within(second as HTMLElement)
        .getByRole('img')
        .getAttribute('src'),
    ).toBe('/api/models/1/photos/4');
  });

  it('says how steps are moved by keys, in the language of the screen', () => {
    shown();
    const handle = screen.getByRole('button', { name: /^Move step 1: Turn the till/ });
    const how = document.getElementById(handle.getAttribute('aria-describedby') ?? '');
    expect(how?.textContent).toMatch(/^Press Space to pick a step up/);
    cleanup();
    shown({ language: 'de' });
    expect(document.body.textContent).toContain('Leertaste nimmt einen Schritt auf');
    expect(document.body.textContent).not.toContain('press the space bar');
    const german = screen.getByRole('button', { name: /^Schritt 1 verschieben/ });
    expect(german.getAttribute('aria-roledescription')).toBe('lässt sich verschieben');
  });

  it('announces what is picked up and put back', async () => {
    shown();
    screen.getByRole('button', { name: /^Move step 2/ }).focus();
    await userEvent.keyboard(' ');
    // On a page that is not drawn all steps lie at one place, so it is over the first at once.
    expect(await screen.findByText(/^Step 2 (?:of 2 picked up|is at place \d of 2)\.$/)).toBeTruthy();
    await userEvent.keyboard('{Escape}');
    expect(await screen.findByText('Step 2 stays where it was.')).toBeTruthy();
    expect(save).not.toHaveBeenCalled();
  });

  it('adds a step at the end', async () => {
    shown();
    await userEvent.click(screen.getByRole('button', { name: 'Add a step' }));
    const sheet = within(await screen.findByRole('dialog'));
    await userEvent.type(sheet.getByLabelText('What to do'), 'Lift the shield');
    await userEvent.click(sheet.getByRole('button', { name: /^(?:Add|Save)/ }));
    const [method, path, body] = save.mock.calls[0] as unknown as [string, string, { opening: OpeningStep[] }];
    expect([method, path]).toEqual(['PATCH', '/api/models/1']);
    expect(body.opening.map(({ text }) => text)).toEqual([...STEPS.map(({ text }) => text), 'Lift the shield']);
  });

  it('is only read by who may not write', () => {
    shown({ mayWrite: false });
    expect(screen.queryAllByRole('button')).toEqual([]);
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
  });
});
