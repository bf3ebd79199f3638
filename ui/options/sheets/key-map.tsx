'use client';
import { Sheet } from '../../kit/sheet';

const KEYS: readonly (readonly [keys: string, what: string])[] = [
  ['← →', 'along the rung by price'],
  ['↑ ↓', 'between rungs, to the nearest price'],
  ['Home End', 'to the ends of the rung'],
  ['Enter', 'open the plan'],
  ['1 2 3', 'put the plan on the slip'],
  ['0', 'put the three suggestions on the slip'],
  ['C', 'take the plan into the comparison, or out'],
  ['V', 'the compared plans side by side'],
  ['T', 'ladder or table'],
  ['N', 'a part seen elsewhere, with its price'],
  ['W', 'why an offer or a wish is not there'],
  ['X', 'turn the screen to the customer'],
  ['?', 'these keys'],
];

/** The map of keys of the station. */
export function KeyMap({ onClose }: { onClose: () => void }) {
  return (
    <Sheet
      open
      title="Keys"
      description="On the lines of need and budget the arrows move them, Delete takes them off."
      onClose={onClose}
    >
      <dl className="grid grid-cols-[7rem_minmax(0,1fr)] gap-y-1.5">
        {KEYS.map(([keys, what]) => (
          <div key={keys} className="contents">
            <dt>
              {keys.split(' ').map((key) => (
                <kbd
                  key={key}
                  className="inline-block min-w-7 text-center px-1.5 py-0.5 mr-1 border border-edge border-b-2 rounded-notch bg-ground font-semibold text-sm"
                >
                  {key}
                </kbd>
              ))}
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
