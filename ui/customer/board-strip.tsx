import type { Language } from '@/core/language';
import type { BoardPicture } from '@/core/quoting/snapshot';
import { capacityIn } from '@/core/quoting/words/in-language';
import { PAPER_WORDS } from '@/core/quoting/words/papers-in';
import { ModuleBar } from '../board/module-bar';

const WIDTH = 132;
const ROW = 26;

interface BoardStripProps {
  title: string;
  board: BoardPicture;
  language?: Language;
  /** each slot with its name, for anyone who fits it */
  named?: boolean;
}

/** A machine's slots: what sits where. */
export function BoardStrip({ title, board, language = 'en', named = false }: BoardStripProps) {
  const { free, isNew } = PAPER_WORDS[language];
  const words = board
    .map(({ slot, capacityMiB }) => `${slot} ${capacityMiB === null ? free : capacityIn(language, capacityMiB)}`)
    .join(', ');
  const textOf = (capacityMiB: number | null, fate: BoardPicture[number]['fate']): string => {
    if (capacityMiB === null) return free;
    const capacity = capacityIn(language, capacityMiB);
    return fate === 'new' ? isNew(capacity) : capacity;
  };
  return (
    <figure className="min-w-0">
      <figcaption className="text-sm text-ink-2">{title}</figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${board.length * ROW + 4}`}
        className="w-full max-w-44"
        role="img"
        aria-label={`${title}: ${words}`}
      >
        {board.map(({ slot, capacityMiB, fate }, index) => (
          <ModuleBar
            key={slot}
            x={1}
            y={index * ROW + 4}
            width={WIDTH - 2}
            height={ROW - 6}
            look={fate === 'built-in' ? 'soldered' : capacityMiB === null ? 'empty' : fate === 'new' ? 'new' : 'fitted'}
            text={textOf(capacityMiB, fate)}
            {...(named ? { detail: slot } : {})}
          />
        ))}
      </svg>
    </figure>
  );
}
