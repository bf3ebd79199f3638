import { capacityText } from '@/core/memory/capacity';
import type { BoardPicture } from '@/core/quoting/snapshot';
import { ModuleBar } from '../board/module-bar';

const WIDTH = 132;
const ROW = 26;

interface BoardStripProps {
  title: string;
  board: BoardPicture;
  /** each slot with its name, for whoever fits it */
  named?: boolean;
}

/** A machine's slots: what sits where. */
export function BoardStrip({ title, board, named = false }: BoardStripProps) {
  const words = board
    .map(({ slot, capacityMiB }) => `${slot} ${capacityMiB === null ? 'empty' : capacityText(capacityMiB)}`)
    .join(', ');
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
            text={capacityMiB === null ? 'free' : `${capacityText(capacityMiB)}${fate === 'new' ? ' new' : ''}`}
            {...(named ? { detail: slot } : {})}
          />
        ))}
      </svg>
    </figure>
  );
}
