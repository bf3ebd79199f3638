'use client';
import { useState } from 'react';
import type { ListedSeller } from '@/service/market/view';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { Choice } from '../../kit/choice';

interface SellerEndsProps {
  seller: ListedSeller;
  /** whom it may be merged with */
  others: readonly ListedSeller[];
  onDone: (sentence: string) => void;
}

/** How a seller ends: retired with its offers, or merged with another that it is the double of. */
export function SellerEnds({ seller, others, onDone }: SellerEndsProps) {
  const { busy, sentence, save } = useSave();
  const [merging, setMerging] = useState(false);
  const [into, setInto] = useState('');
  const target = others.find(({ id }) => String(id) === into);
  const retire = async () => {
    const result = await save('PUT', `/api/sellers/${seller.id}/retired`, { retired: true });
    if (result.ok) onDone(`${seller.name} is retired; its offers are off the market.`);
  };
  const merge = async () => {
    if (target === undefined) return;
    const result = await save<{ offers: number; doubles: number }>('POST', `/api/sellers/${seller.id}/merge`, {
      into: target.id,
    });
    if (!result.ok) return;
    const { offers, doubles } = result.value;
    const twice = doubles === 0 ? '' : ` ${doubles} had the number of one of its own and left the market.`;
    onDone(`${seller.name} is merged into ${target.name}: ${offers} offers moved.${twice}`);
  };
  return (
    <div className="mr-auto flex flex-wrap items-end gap-2">
      {merging ? (
        <>
          <Choice
            label={`Merge ${seller.name} into`}
            className="w-52"
            value={into}
            onChange={(event) => setInto(event.target.value)}
            options={[
              { value: '', text: 'Choose a seller' },
              ...others.map(({ id, name }) => ({ value: String(id), text: name })),
            ]}
          />
          <Button disabled={busy || target === undefined} onClick={() => void merge()}>
            Merge
          </Button>
          <Button weight="quiet" onClick={() => setMerging(false)}>
            Cancel merge
          </Button>
        </>
      ) : (
        <>
          <Button weight="quiet" disabled={busy} onClick={() => void retire()}>
            Retire
          </Button>
          {others.length > 0 && (
            <Button weight="quiet" onClick={() => setMerging(true)}>
              Merge…
            </Button>
          )}
        </>
      )}
      {sentence !== null && (
        <span role="alert" className="text-stop text-sm">
          {sentence}
        </span>
      )}
    </div>
  );
}

/** Brings a retired seller back, with the offers that left with it. */
export function UseAgain({ seller, onSaid }: { seller: ListedSeller; onSaid: (sentence: string) => void }) {
  const { busy, save } = useSave();
  const back = async () => {
    const result = await save('PUT', `/api/sellers/${seller.id}/retired`, { retired: false });
    onSaid(result.ok ? `${seller.name} is used again.` : result.sentence);
  };
  return (
    <Button weight="quiet" disabled={busy} aria-label={`Use ${seller.name} again`} onClick={() => void back()}>
      Use again
    </Button>
  );
}
