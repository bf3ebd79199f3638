/** @jest-environment jsdom */

import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { FittingStep } from '@/core/fitting/checklist';
import { WithWords } from '@/ui/words/testing/with-words';
import type { StaffLanguage } from '@/words/languages';
import { StepNow } from './step-now';
import type { Bench } from './use-bench';
import type { PartsAtBench } from './use-parts';

let modelId: number | null = 2;
jest.mock('../job/job-context', () => ({ useJob: () => ({ job: { machine: { modelId } } }) }));
afterEach(cleanup);

const step = (more: Partial<FittingStep> = {}): FittingStep =>
  ({
    key: 'open.2',
    phase: 'open',
    text: 'Open the door in the base',
    tool: 'cross-head 1',
    fasteners: { count: 2, lengthMm: 6, dish: 1 },
    cable: '',
    caution: '',
    photo: null,
    notch: null,
    ...more,
  }) as FittingStep;

interface Shown {
  step?: Partial<FittingStep>;
  before?: { jobId: number; note: string }[];
  told?: boolean;
  waits?: boolean;
  sending?: string[];
  language?: StaffLanguage;
}
function shown({ step: more, before = [], told = true, waits = false, sending = [], language = 'en' }: Shown = {}) {
  const bench = {
    sending: new Set(sending),
    skip: jest.fn(async () => told),
    find: jest.fn(async () => told),
  };
  const parts = { tick: jest.fn(), waits: () => waits, asking: null };
  render(
    <WithWords language={language}>
      <StepNow
        step={step(more)}
        before={before}
        bench={bench as unknown as Bench}
        parts={parts as unknown as PartsAtBench}
      />
    </WithWords>,
  );
  return { bench, parts };
}

describe('the step that has to be done now', () => {
  it('says what, with which tool, and where its screws go', () => {
    shown({ step: { cable: 'the battery', caution: 'The cable is short.' } });
    const text = screen.getByRole('region', { name: 'Now' }).textContent ?? '';
    for (const part of ['Open the door in the base', 'cross-head 1', 'the battery', 'The cable is short.'])
      expect(text).toContain(part);
    expect(text).toMatch(/2 .*6 mm/);
  });

  it('is ticked by a press or by D', async () => {
    const { parts } = shown();
    await userEvent.click(screen.getByRole('button', { name: /^Done/ }));
    await userEvent.keyboard('d');
    expect(parts.tick).toHaveBeenCalledTimes(2);
    expect(parts.tick).toHaveBeenLastCalledWith(expect.objectContaining({ key: 'open.2' }));
  });

  it('is not ticked twice while it is on its way', () => {
    shown({ sending: ['open.2'] });
    expect(screen.getByRole('button', { name: /^Done/ }).hasAttribute('disabled')).toBe(true);
  });

  it('says that it waits for its part', () => {
    shown({ waits: true });
    expect(screen.getByText('Waits for its part.')).toBeTruthy();
  });

  it('is skipped with a reason only, and the reason stays while it cannot be sent', async () => {
    const { bench } = shown({ told: false });
    await userEvent.click(screen.getByRole('button', { name: 'Skip' }));
    await userEvent.click(screen.getByRole('button', { name: 'Skip this step' }));
    expect(bench.skip).not.toHaveBeenCalled();
    expect(screen.getAllByText('Enter a few words.').length).toBeGreaterThan(0);
    await userEvent.type(screen.getByLabelText('Reason for skipping'), 'the door is gone');
    await userEvent.click(screen.getByRole('button', { name: 'Skip this step' }));
    expect(bench.skip).toHaveBeenCalledWith('open.2', 'the door is gone');
    expect(screen.getByLabelText<HTMLInputElement>('Reason for skipping').value).toBe('the door is gone');
  });

  it('has noted on it what was found different, and puts the field away', async () => {
    const { bench } = shown();
    await userEvent.click(screen.getByRole('button', { name: 'Something is different' }));
    await userEvent.selectOptions(screen.getByLabelText('What is it'), 'something damaged');
    await userEvent.type(screen.getByLabelText('What is there instead'), 'a cracked latch');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(bench.find).toHaveBeenCalledWith('open.2', 'damage', 'a cracked latch');
    expect(screen.queryByLabelText('What is there instead')).toBeNull();
  });

  it('says what other jobs found here', () => {
    shown({ before: [{ jobId: 3, note: 'one screw is longer' }] });
    expect(screen.getByRole('region').textContent).toMatch(/3.*one screw is longer/);
  });

  it('shows the model’s picture until it turns out to be gone', () => {
    shown({ step: { photo: 9 } });
    const picture = screen.getByRole('img');
    expect(picture.getAttribute('src')).toBe('/api/models/2/photos/9');
    fireEvent.error(picture);
    expect(screen.queryByRole('img')).toBeNull();
    cleanup();
    modelId = null;
    shown({ step: { photo: 9 } });
    modelId = 2;
    expect(screen.queryByRole('img')).toBeNull();
  });

  it('is German on a German screen', async () => {
    shown({ waits: true, language: 'de' });
    expect(screen.getByText('Wartet auf sein Teil.')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Etwas ist anders' }));
    expect(screen.getByLabelText('Was ist stattdessen da')).toBeTruthy();
  });
});
