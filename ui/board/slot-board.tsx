'use client';
import { capacityText } from '@/core/memory/capacity';
import type { SlotChange } from '@/core/quoting/slot-changes';
import { type BarLook, ModuleBar } from './module-bar';

interface SlotBoardProps {
  changes: readonly SlotChange[];
  /** true where a plan is shown beside today */
  planned: boolean;
  onPick?: (slot: string) => void;
}

const WIDTH = 308;
const GUTTER = 66;

function nowLook(change: SlotChange): { look: BarLook; text: string } {
  if (change.soldered) return { look: 'soldered', text: change.now === null ? '?' : capacityText(change.now) };
  if (!change.nowKnown) return { look: 'asked', text: 'how much?' };
  if (change.now === null) return { look: 'empty', text: 'empty' };
  if (change.rateAsked) return { look: 'asked', text: `${capacityText(change.now)}, rate?` };
  const gone = change.leaves === 'out' || change.leaves === 'moves';
  return { look: gone ? 'leaving' : 'fitted', text: capacityText(change.now) };
}

function afterLook(change: SlotChange): { look: BarLook; text: string } {
  if (change.soldered) return { look: 'soldered', text: change.after === null ? '?' : capacityText(change.after) };
  if (change.after === null) return { look: 'empty', text: 'free' };
  const word = { stays: '', new: ' new', moves: ' moved', empty: '' }[change.comes];
  return { look: change.comes === 'new' ? 'new' : 'fitted', text: `${capacityText(change.after)}${word}` };
}

function inWords(change: SlotChange, planned: boolean): string {
  const now = change.now === null ? (change.nowKnown ? 'empty' : 'a module of unknown size') : capacityText(change.now);
  const asked = change.rateAsked ? ', its rate is not known' : '';
  const what = `${change.slot}, channel ${change.channel}${change.soldered ? ', soldered' : ''}: ${now}${asked}`;
  if (!planned || change.soldered) return what;
  return `${what}; after: ${afterLook(change).text}`;
}

/** Rows get lower as slots get more, so that sixteen still fit beside the work. */
const rowHeight = (slots: number): number => (slots <= 6 ? 34 : slots <= 10 ? 28 : 24);

/** The machine's slots today and, where a plan is looked at, after it; channels stand together. */
export function SlotBoard({ changes, planned, onPick }: SlotBoardProps) {
  const row = rowHeight(changes.length);
  const bar = row - 8;
  const half = planned ? (WIDTH - GUTTER - 12) / 2 : WIDTH - GUTTER;
  const ordered = [...changes].sort((a, b) => (a.channel < b.channel ? -1 : a.channel > b.channel ? 1 : 0));
  const seams = ordered.flatMap((change, index) =>
    index > 0 && ordered[index - 1]?.channel !== change.channel ? [index] : [],
  );
  const top = 20;
  return (
    <div className="relative">
      <svg
        viewBox={`0 0 ${WIDTH} ${top + ordered.length * row + 2}`}
        className="w-full h-auto block"
        aria-hidden="true"
      >
        <text x={GUTTER} y="12" className="fill-ink-2 text-[12px]">
          now
        </text>
        {planned && (
          <text x={GUTTER + half + 12} y="12" className="fill-ink-2 text-[12px]">
            after
          </text>
        )}
        {seams.map((index) => (
          <path key={index} d={`M0 ${top + index * row - 3}H${WIDTH}`} className="stroke-line" strokeDasharray="2 4" />
        ))}
        {ordered.map((change, index) => {
          const y = top + index * row + 2;
          return (
            <g key={change.slot}>
              <text x="0" y={y + bar / 2 + 3} className="fill-ink text-[13px] font-medium narrow">
                {change.slot.length > 10 ? `${change.slot.slice(0, 9)}…` : change.slot}
              </text>
              <ModuleBar x={GUTTER} y={y} width={half} height={bar} {...nowLook(change)} />
              {planned && <ModuleBar x={GUTTER + half + 12} y={y} width={half} height={bar} {...afterLook(change)} />}
            </g>
          );
        })}
      </svg>
      <ul className={onPick === undefined ? 'sr-only' : 'absolute inset-0'}>
        {ordered.map((change, index) => (
          <li
            key={change.slot}
            className="absolute w-full"
            style={{
              top: `${((top + index * row) / (top + ordered.length * row + 2)) * 100}%`,
              height: `${(row / (top + ordered.length * row + 2)) * 100}%`,
            }}
          >
            {onPick === undefined ? (
              inWords(change, planned)
            ) : (
              <button
                type="button"
                onClick={() => onPick(change.slot)}
                aria-label={`${inWords(change, planned)}. Change this slot`}
                className="w-full h-full cursor-pointer rounded-notch hover:outline hover:outline-2 hover:outline-edge"
              />
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
