/** Signs that something is amiss after fitting, as they are seen or heard. */
export const SIGNS = {
  beeps: 'It beeps and does not start',
  blank: 'It powers up, the screen stays blank',
  dead: 'Nothing at all happens',
  'blue-screen': 'It starts, then stops with an error screen',
  'less-memory': 'It shows less memory than fitted',
  slower: 'It runs slower than promised',
  'single-channel': 'It runs in one channel only',
} as const;
export type Sign = keyof typeof SIGNS;

/** What may be behind it. */
export const CAUSES = {
  'first-start': 'the first start after a change of memory, which takes long',
  seating: 'a module that does not sit right',
  settings: 'a setting of the firmware',
  'bad-module': 'a bad module',
  'wrong-module': 'modules that are not what was ordered, or do not go with the machine',
  mix: 'modules that do not go with each other',
  order: 'modules in the wrong sockets',
  socket: 'a bad or dirty socket',
  machine: 'a fault of the machine itself',
  limit: 'a limit that is not as it is claimed',
} as const;
export type Cause = keyof typeof CAUSES;

/** How a search ends. */
export const ENDS = {
  fixed: 'Fixed: it is as promised now',
  'bad-module': 'A bad module: it goes back to its seller',
  'wrong-module': 'The wrong module: it goes back to its seller, the plan is looked at again',
  'machine-fault': 'The machine’s own fault: the customer is told before anything else is done',
  'limit-untrue': 'A limit is not true: recorded as evidence against the claim',
} as const;
export type End = keyof typeof ENDS;

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
  text: string;
  /** it is as promised now: the search is over, and this was it */
  fixedBy?: Cause;
  /** causes that it leaves of those suspected; where `fixedBy` is not told */
  leaves?: readonly Cause[];
}

export interface Test {
  title: string;
  how: string;
  /** what it takes, about: the cheapest that can tell anything comes first */
  minutes: number;
  /** signs that it is of use for; left out: all */
  signs?: readonly Sign[];
  outcomes: Readonly<Record<string, TestOutcome>>;
}

const ALL = Object.keys(CAUSES) as Cause[];
const but = (...out: readonly Cause[]): Cause[] => ALL.filter((cause) => !out.includes(cause));

/** The tests, each with all that can come of it. Data: what is asked next is worked out from them. */
export const TESTS = {
  wait: {
    title: 'Leave it on for five minutes',
    how: 'After a change of memory a machine may take minutes to find its timings. Do not touch it meanwhile.',
    minutes: 5,
    signs: ['blank'],
    outcomes: {
      starts: { text: 'It started', fixedBy: 'first-start' },
      same: { text: 'Still the same', leaves: but('first-start') },
    },
  },
  labels: {
    title: 'Hold the labels against the order',
    how: 'Maker, part number, capacity, kind and rate of every module, with a lamp.',
    minutes: 2,
    outcomes: {
      differ: { text: 'One is not what was ordered', leaves: ['wrong-module'] },
      agree: { text: 'They are what was ordered', leaves: ALL },
    },
  },
  reseat: {
    title: 'Take all out and seat them again',
    how: 'Power off, unplugged, earthed. Blow the sockets out, press until both latches close.',
    minutes: 3,
    outcomes: {
      works: { text: 'As promised now', fixedBy: 'seating' },
      same: { text: 'Still the same', leaves: but('seating') },
    },
  },
  settings: {
    title: 'Load the firmware’s defaults',
    how: 'In its setup, or by taking the clock’s battery out for a minute. Profiles that the plan counts on are set again.',
    minutes: 4,
    signs: ['blank', 'blue-screen', 'less-memory', 'slower'],
    outcomes: {
      works: { text: 'As promised now', fixedBy: 'settings' },
      same: { text: 'Still the same', leaves: but('settings') },
    },
  },
  order: {
    title: 'Hold the sockets against the plan',
    how: 'Each module in the socket that the checklist names, the names as printed on the board.',
    minutes: 2,
    signs: ['slower', 'single-channel'],
    outcomes: {
      works: { text: 'One was elsewhere; as promised now', fixedBy: 'order' },
      same: { text: 'All as planned', leaves: but('order') },
    },
  },
  originals: {
    title: 'Put the original modules back',
    how: 'Exactly as they were. It shows whether the machine itself still runs.',
    minutes: 5,
    outcomes: {
      works: { text: 'It runs with them', leaves: but('machine') },
      same: { text: 'Still the same', leaves: ['machine', 'socket', 'settings'] },
    },
  },
  alone: {
    title: 'Try the new modules one at a time',
    how: 'Each alone in the first socket of the fill order.',
    minutes: 6,
    outcomes: {
      one: { text: 'One of them fails, the others run', leaves: ['bad-module'] },
      all: { text: 'Each runs alone', leaves: but('bad-module', 'wrong-module', 'machine') },
      none: {
        text: 'None of them runs',
        leaves: ['wrong-module', 'limit', 'machine', 'settings', 'first-start', 'seating'],
      },
    },
  },
  swap: {
    title: 'Let two modules change sockets',
    how: 'Does what is amiss go with the module, or stay with the socket?',
    minutes: 4,
    outcomes: {
      module: { text: 'It goes with the module', leaves: ['bad-module', 'wrong-module'] },
      socket: { text: 'It stays with the socket', leaves: ['socket'] },
      neither: { text: 'No difference', leaves: but('socket', 'bad-module') },
    },
  },
  pairs: {
    title: 'Try the new modules without the old ones',
    how: 'Only what was bought, in the first sockets of the fill order.',
    minutes: 5,
    outcomes: {
      works: { text: 'Together with the old ones it fails, without it runs', leaves: ['mix'] },
      same: { text: 'Still the same', leaves: but('mix') },
    },
  },
  fewer: {
    title: 'Try fewer of the new modules',
    how: 'As many as stay within what the machine’s papers say.',
    minutes: 5,
    outcomes: {
      works: { text: 'With fewer it runs', leaves: ['limit', 'socket'] },
      same: { text: 'Still the same', leaves: but('limit') },
    },
  },
  known: {
    title: 'Try a module that is known to be good',
    how: 'One of the same kind from the shelf, in the same socket.',
    minutes: 8,
    outcomes: {
      works: { text: 'It runs with that one', leaves: ['bad-module', 'wrong-module'] },
      same: { text: 'Still the same', leaves: but('bad-module') },
    },
  },
  tester: {
    title: 'Run a memory test on each module',
    how: 'One whole pass, each module alone, in a machine that is known to be good.',
    minutes: 40,
    outcomes: {
      errors: { text: 'One shows errors', leaves: ['bad-module'] },
      clean: { text: 'All are clean', leaves: but('bad-module') },
    },
  },
} as const satisfies Record<string, Test>;
export type TestKey = keyof typeof TESTS;
