export const POINT_VERDICTS = {
  kept: { sign: '✓', word: 'kept', look: 'text-good' },
  remark: { sign: '△', word: 'not quite', look: 'text-mind' },
  broken: { sign: '✕', word: 'not kept', look: 'text-stop' },
  untold: { sign: '–', word: 'not told', look: 'text-ink-2' },
} as const;

export const WHOLE_VERDICTS = {
  kept: { tone: 'good', text: 'The promise is kept.' },
  remark: { tone: 'mind', text: 'The promise is kept, with a remark.' },
  broken: { tone: 'stop', text: 'The promise is not kept.' },
} as const;

export const PROOF_DEPTH_WORDS = {
  started: 'it started',
  'total-read': 'its total was read',
  loaded: 'it ran loaded',
} as const;
