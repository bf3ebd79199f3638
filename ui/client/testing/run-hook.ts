import { act, createElement } from 'react';
import { createRoot } from 'react-dom/client';
import { WithWords } from '../../words/testing/with-words';

/** A hook that runs in a component of its own, and can be given other arguments. */
export interface RunningHook<Args, Value> {
  /** what it returned last */
  now: () => Value;
  /** what it returned each time it was drawn */
  drawn: () => readonly Value[];
  /** draws it again; done when nothing moves any more that this set going at once */
  give: (args: Args) => Promise<void>;
  end: () => Promise<void>;
}

interface DrawnProps {
  use: (args: unknown) => unknown;
  args: unknown;
  values: unknown[];
}

function Drawn({ use, args, values }: DrawnProps) {
  values.push(use(args));
  return null;
}

const running: (() => Promise<void>)[] = [];

/** Runs a hook as a page would: with its effects, on a page that is not shown. */
export async function runHook<Args, Value>(use: (args: Args) => Value, first: Args): Promise<RunningHook<Args, Value>> {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  const values: Value[] = [];
  const root = createRoot(document.createElement('div'));
  const give = (args: Args) =>
    act(async () =>
      root.render(
        createElement(WithWords, null, createElement(Drawn, { use: use as DrawnProps['use'], args, values })),
      ),
    );
  await give(first);
  const end = () => act(async () => root.unmount());
  running.push(end);
  return { now: () => values.at(-1) as Value, drawn: () => values, give, end };
}

/** Ends all that a test ran: what listens to the page would hear the next test's too. */
export async function endHooks(): Promise<void> {
  for (const end of running.splice(0)) await end();
}
