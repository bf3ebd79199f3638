import { act, createElement } from 'react';
import { createRoot } from 'react-dom/client';

/** A hook that runs in a component of its own, and can be given other arguments. */
export interface RunningHook<Args, Value> {
  /** what it returned last, and each time it was drawn */
  now: () => Value;
  drawn: () => readonly Value[];
  /** draws it again; done when nothing moves any more that this set going at once */
  give: (args: Args) => Promise<void>;
  end: () => Promise<void>;
}

/** Runs a hook as a page would: with its effects, on a page that is not shown. */
export async function runHook<Args, Value>(use: (args: Args) => Value, first: Args): Promise<RunningHook<Args, Value>> {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  const values: Value[] = [];
  const root = createRoot(document.createElement('div'));
  function Drawn({ args }: { args: Args }) {
    values.push(use(args));
    return null;
  }
  const give = (args: Args) => act(async () => root.render(createElement(Drawn, { args })));
  await give(first);
  return {
    now: () => values.at(-1) as Value,
    drawn: () => values,
    give,
    end: () => act(async () => root.unmount()),
  };
}
