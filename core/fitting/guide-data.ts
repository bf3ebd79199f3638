/** Signs that something is wrong after fitting, as they are seen or heard. Their words are in the catalogue `fitting`. */
export const SIGNS = ['beeps', 'blank', 'dead', 'blue-screen', 'less-memory', 'slower', 'single-channel'] as const;
export type Sign = (typeof SIGNS)[number];

/** What may be behind it. */
export const CAUSES = [
  'first-start',
  'seating',
  'settings',
  'bad-module',
  'wrong-module',
  'mix',
  'order',
  'socket',
  'machine',
  'limit',
] as const;
export type Cause = (typeof CAUSES)[number];

/** How a search ends. */
export const ENDS = ['fixed', 'bad-module', 'wrong-module', 'machine-fault', 'limit-untrue'] as const;
export type End = (typeof ENDS)[number];

/** What each cause comes to once it is the only one left. */
export const END_OF: Record<Cause, End> = {
  'first-start': 'fixed',
  seating: 'fixed',
  settings: 'fixed',
  order: 'fixed',
  'bad-module': 'bad-module',
  'wrong-module': 'wrong-module',
  mix: 'wrong-module',
  socket: 'machine-fault',
  machine: 'machine-fault',
  limit: 'limit-untrue',
};

/** What is suspected at first, by the sign. */
export const SUSPECTS: Record<Sign, readonly Cause[]> = {
  beeps: ['seating', 'bad-module', 'wrong-module', 'mix', 'socket', 'limit', 'machine'],
  blank: ['first-start', 'seating', 'settings', 'bad-module', 'wrong-module', 'mix', 'socket', 'limit', 'machine'],
  dead: ['seating', 'machine'],
  'blue-screen': ['seating', 'settings', 'bad-module', 'mix', 'socket', 'machine'],
  'less-memory': ['seating', 'settings', 'bad-module', 'wrong-module', 'socket', 'limit'],
  slower: ['settings', 'wrong-module', 'mix', 'order', 'limit'],
  'single-channel': ['seating', 'order', 'mix', 'wrong-module', 'socket'],
};

export interface TestOutcome {
  /** it is as promised now: the search is over, and this was it */
  fixedBy?: Cause;
  /** causes that it leaves of those suspected; where `fixedBy` is not told */
  leaves?: readonly Cause[];
}

export interface Test {
  /** what it takes, about: the cheapest that can tell anything comes first */
  minutes: number;
  /** signs that it is of use for; left out: all */
  signs?: readonly Sign[];
  outcomes: Readonly<Record<string, TestOutcome>>;
}

const ALL = CAUSES;
const but = (...out: readonly Cause[]): Cause[] => ALL.filter((cause) => !out.includes(cause));

/** The tests, each with all that can come of it. Data: what is asked next is worked out from them. */
export const TESTS = {
  wait: {
    minutes: 5,
    signs: ['blank'],
    outcomes: {
      starts: { fixedBy: 'first-start' },
      same: { leaves: but('first-start') },
    },
  },
  labels: {
    minutes: 2,
    outcomes: {
      differ: { leaves: ['wrong-module'] },
      agree: { leaves: ALL },
    },
  },
  reseat: {
    minutes: 3,
    outcomes: {
      works: { fixedBy: 'seating' },
      same: { leaves: but('seating') },
    },
  },
  settings: {
    minutes: 4,
    signs: ['blank', 'blue-screen', 'less-memory', 'slower'],
    outcomes: {
      works: { fixedBy: 'settings' },
      same: { leaves: but('settings') },
    },
  },
  order: {
    minutes: 2,
    signs: ['slower', 'single-channel'],
    outcomes: {
      works: { fixedBy: 'order' },
      same: { leaves: but('order') },
    },
  },
  originals: {
    minutes: 5,
    outcomes: {
      works: { leaves: but('machine') },
      same: { leaves: ['machine', 'socket', 'settings'] },
    },
  },
  alone: {
    minutes: 6,
    outcomes: {
      one: { leaves: ['bad-module'] },
      all: { leaves: but('bad-module', 'wrong-module', 'machine') },
      none: {
        leaves: ['wrong-module', 'limit', 'machine', 'settings', 'first-start', 'seating'],
      },
    },
  },
  swap: {
    minutes: 4,
    outcomes: {
      module: { leaves: ['bad-module', 'wrong-module'] },
      socket: { leaves: ['socket'] },
      neither: { leaves: but('socket', 'bad-module') },
    },
  },
  pairs: {
    minutes: 5,
    outcomes: {
      works: { leaves: ['mix'] },
      same: { leaves: but('mix') },
    },
  },
  fewer: {
    minutes: 5,
    outcomes: {
      works: { leaves: ['limit', 'socket'] },
      same: { leaves: but('limit') },
    },
  },
  known: {
    minutes: 8,
    outcomes: {
      works: { leaves: ['bad-module', 'wrong-module'] },
      same: { leaves: but('bad-module') },
    },
  },
  tester: {
    minutes: 40,
    outcomes: {
      errors: { leaves: ['bad-module'] },
      clean: { leaves: but('bad-module') },
    },
  },
} as const satisfies Record<string, Test>;
export type TestKey = keyof typeof TESTS;
