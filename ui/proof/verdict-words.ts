export const POINT_VERDICTS = {
  kept: { sign: '✓', word: 'verdicts.short.kept', look: 'text-good' },
  remark: { sign: '△', word: 'verdicts.short.remark', look: 'text-mind' },
  broken: { sign: '✕', word: 'verdicts.short.broken', look: 'text-stop' },
  untold: { sign: '–', word: 'verdicts.short.unknown', look: 'text-ink-2' },
} as const;

export const WHOLE_VERDICTS = {
  kept: { tone: 'good', text: 'verdicts.kept' },
  remark: { tone: 'mind', text: 'verdicts.remark' },
  broken: { tone: 'stop', text: 'verdicts.broken' },
} as const;

export const PROOF_DEPTH_WORDS = {
  started: 'levels.started',
  'total-read': 'levels.read',
  loaded: 'levels.load',
} as const;
