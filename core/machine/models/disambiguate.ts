/** A model that is likely meant, with what a person can see on it and what it means for memory. */
export interface Likely {
  id: number;
  maker: string;
  name: string;
  /** years it was made, as text */
  years: string;
  kind: 'machine' | 'board';
  cpus: readonly string[];
  modelIds: readonly string[];
  /** what matters for memory, in a few words: `DDR4 SO-DIMM, 2 sockets, 32 GB` */
  memory: string;
}

/** One question whose answer is the model, with what each answer means for memory. */
export interface ApartQuestion {
  text: string;
  answers: { id: number; text: string; memory: string }[];
}

interface Mark {
  text: string;
  of: (model: Likely) => string;
}

/** What tells models apart, what is quickest to see first. */
const MARKS: readonly Mark[] = [
  { text: 'Which name is printed on it?', of: ({ maker, name }) => `${maker} ${name}` },
  { text: 'Which year is on the label?', of: ({ years }) => years },
  { text: 'Which model number is on the label?', of: ({ modelIds }) => modelIds.join(', ') },
  { text: 'Which CPU does it have?', of: ({ cpus }) => cpus.join(' or ') },
  {
    text: 'Is it a whole machine or a bare board?',
    of: ({ kind }) => (kind === 'board' ? 'a bare board' : 'a whole machine'),
  },
  { text: 'Which memory does it take?', of: ({ memory }) => memory },
];

/**
 * The one question that tells near-equal models apart: the first mark on which all of them differ, else the one on
 * which most do. Null for fewer than two.
 */
export function disambiguate(models: readonly Likely[]): ApartQuestion | null {
  if (models.length < 2) return null;
  const scored = MARKS.map((mark) => {
    const answers = models.map(mark.of);
    return { mark, distinct: answers.includes('') ? 0 : new Set(answers).size };
  });
  const most = Math.max(...scored.map(({ distinct }) => distinct));
  const best = scored.find(({ distinct }) => distinct === most);
  if (best === undefined || most < 2) return null;
  return {
    text: best.mark.text,
    answers: models.map((model) => ({ id: model.id, text: best.mark.of(model), memory: model.memory })),
  };
}
