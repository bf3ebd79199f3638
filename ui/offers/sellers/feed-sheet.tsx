'use client';
import { useState } from 'react';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { Choice } from '../../kit/choice';
import { Fault } from '../../kit/fault';
import { Field } from '../../kit/field';
import { Sheet } from '../../kit/sheet';
import type { ShownFeed } from './feed-words';
import type { ListedSeller } from './listed-seller';

const KIND_TEXTS: Record<ShownFeed['kind'], string> = {
  feed: 'price feed (Fenbrik JSON)',
  csv: 'price list (CSV)',
  page: 'page with offers (schema.org)',
};

interface FeedTry {
  sentence: string;
  rows: { text: string; price: string; fate: string }[];
}

interface FeedSheetProps {
  seller: ListedSeller;
  feed: ShownFeed | null;
  /** may allow a host to be asked */
  isOwner: boolean;
  onClose: () => void;
  onSaved: (sentence: string) => void;
}

/** Where a seller's prices are asked for by themselves, and what would come of it before it counts. */
export function FeedSheet({ seller, feed, isOwner, onClose, onSaved }: FeedSheetProps) {
  const { busy, sentence, save } = useSave();
  const [url, setUrl] = useState(feed?.url ?? '');
  const [kind, setKind] = useState<ShownFeed['kind']>(feed?.kind ?? 'feed');
  const [minutes, setMinutes] = useState(String(feed?.everyMinutes ?? 60));
  const [applies, setApplies] = useState(feed?.applies ?? false);
  const [allow, setAllow] = useState(false);
  const [allowOwn, setAllowOwn] = useState(false);
  const [tried, setTried] = useState<FeedTry | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const isAllowed = feed?.allowed === true && feed.url === url.trim();
  const form = () => ({ url: url.trim(), kind, applies, everyMinutes: Number(minutes), allow, allowOwn });
  const check = (): boolean => {
    const isUrl = /^https?:\/\/\S+$/i.test(url.trim());
    const isNumber = /^\d{1,5}$/.test(minutes.trim());
    setWrong(
      !isUrl
        ? 'Enter an address such as https://prices.seller.example/feed.json.'
        : !isNumber
          ? 'Enter how often it is asked, in minutes, such as 60.'
          : null,
    );
    return isUrl && isNumber;
  };
  const tryIt = async () => {
    if (!check()) return;
    setTried(null);
    const result = await save<FeedTry>('POST', `/api/sellers/${seller.id}/feed/try`, form());
    if (result.ok) setTried(result.value);
  };
  const keep = async () => {
    if (!check()) return;
    const result = await save('PUT', `/api/sellers/${seller.id}/feed`, form());
    if (!result.ok) return;
    onSaved(`${seller.name}: its feed is asked every ${minutes.trim()} minutes from now on.`);
    onClose();
  };
  const remove = async () => {
    const result = await save('DELETE', `/api/sellers/${seller.id}/feed`);
    if (!result.ok) return;
    onSaved(`${seller.name}: its feed is not asked any more.`);
    onClose();
  };
  return (
    <Sheet
      open
      wide
      title={`Feed of ${seller.name}`}
      description="An address that is asked for today’s prices. Only this address is asked, redirections are not followed."
      onClose={onClose}
    >
      <form
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Field
          label="Address"
          className="col-span-6"
          placeholder="https://prices.seller.example/feed.json"
          inputMode="url"
          spellCheck={false}
          value={url}
          onChange={(event) => setUrl(event.target.value)}
          autoFocus
        />
        <Choice
          label="What answers there"
          className="col-span-4"
          value={kind}
          onChange={(event) => setKind(event.target.value as ShownFeed['kind'])}
          options={Object.entries(KIND_TEXTS).map(([value, text]) => ({ value, text }))}
        />
        <Field
          label="Asked every"
          unit="minutes"
          inputMode="numeric"
          className="col-span-2"
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
        />
        {kind !== 'feed' && (
          <Check checked={applies} onChange={setApplies} className="col-span-6 min-h-9">
            apply rows that are sure; the rest waits for somebody to look at it
          </Check>
        )}
        {isOwner && !isAllowed && (
          <>
            <Check checked={allow} onChange={setAllow} className="col-span-6 min-h-9">
              allow this host to be asked
            </Check>
            {allow && (
              <Check checked={allowOwn} onChange={setAllowOwn} className="col-span-6 min-h-9">
                it is on our own machine or network
              </Check>
            )}
          </>
        )}
        {!isOwner && !isAllowed && (
          <p className="col-span-6 text-sm text-ink-2">An owner has to allow a host before it is asked.</p>
        )}
        <div className="col-span-6">
          <Fault sentence={wrong ?? sentence} />
        </div>
        {tried !== null && (
          <section aria-label="What would come of it" className="col-span-6 border-y border-line py-2 text-sm">
            <p className="font-medium">{tried.sentence}</p>
            <ul className="mt-1">
              {tried.rows.map(({ text, price, fate }) => (
                <li
                  key={`${text} ${price}`}
                  className="grid grid-cols-[minmax(0,1fr)_6rem_9rem] gap-3 border-t border-line py-1"
                >
                  <span className="truncate">{text}</span>
                  <span className="text-right">{price}</span>
                  <span className="text-ink-2">{fate}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        <div className="col-span-6 flex justify-end gap-2">
          {feed !== null && (
            <span className="mr-auto">
              <Button weight="quiet" disabled={busy} onClick={() => void remove()}>
                Remove feed
              </Button>
            </span>
          )}
          <Button disabled={busy} onClick={() => void tryIt()}>
            Try it
          </Button>
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Save
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
