'use client';
import { useState } from 'react';
import type { ListedSeller } from '@/service/market/view';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { CheckField, ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { type Read, readTyped, wholeTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import type { ShownFeed } from './feed-words';

const KIND_TEXTS: Record<ShownFeed['kind'], string> = {
  feed: 'price feed (Fenbrik JSON)',
  csv: 'price list (CSV)',
  page: 'page with offers (schema.org)',
};

interface FeedTry {
  sentence: string;
  rows: { text: string; price: string; fate: string }[];
}

interface FeedTyped {
  url: string;
  kind: ShownFeed['kind'];
  minutes: string;
  applies: boolean;
  allow: boolean;
  allowOwn: boolean;
}

function readFeed({ url, kind, minutes, applies, allow, allowOwn }: FeedTyped): Read<FeedTyped, object> {
  const looked = {
    url: !/^https?:\/\/\S+$/i.test(url.trim()) && 'Enter an address such as https://prices.seller.example/feed.json.',
    minutes: wholeTyped(minutes) === null && 'Enter how often it is asked, in minutes, such as 60.',
  };
  const everyMinutes = Number(minutes);
  return readTyped<FeedTyped, object>(looked, () => ({
    url: url.trim(),
    kind,
    applies,
    everyMinutes,
    allow,
    allowOwn,
  }));
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
  const { save } = useSave();
  const [tried, setTried] = useState<FeedTry | null>(null);
  const at = `/api/sellers/${seller.id}/feed`;
  const told = (sentence: string) => {
    onSaved(`${seller.name}: ${sentence}`);
    onClose();
  };
  const typing = useTyped<FeedTyped, object>({
    from: {
      url: feed?.url ?? '',
      kind: feed?.kind ?? 'feed',
      minutes: String(feed?.everyMinutes ?? 60),
      applies: feed?.applies ?? false,
      allow: false,
      allowOwn: false,
    },
    read: readFeed,
    send: async (body, { minutes }) => {
      const result = await save('PUT', at, body);
      if (result.ok) told(`its feed is asked every ${minutes.trim()} minutes from now on.`);
      return result;
    },
  });
  const tryIt = async () => {
    const typed = readFeed(typing.form.getValues());
    if (!(await typing.form.trigger()) || !typed.ok) return;
    setTried(null);
    await typing.act(async () => {
      const result = await save<FeedTry>('POST', `${at}/try`, typed.value);
      if (result.ok) setTried(result.value);
      return result;
    });
  };
  const remove = () =>
    typing.act(async () => {
      const result = await save('DELETE', at);
      if (result.ok) told('its feed is not asked any more.');
      return result;
    });
  return (
    <Sheet
      open
      wide
      title={`Feed of ${seller.name}`}
      description="An address that is asked for today’s prices. Only this address is asked, redirections are not followed."
      onClose={onClose}
    >
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        action="Save"
        onLeave={onClose}
        beside={
          <>
            {feed !== null && (
              <Button weight="quiet" disabled={typing.busy} onClick={() => void remove()}>
                Remove feed
              </Button>
            )}
            <Button disabled={typing.busy} onClick={() => void tryIt()}>
              Try it
            </Button>
          </>
        }
      >
        <FeedFields watch={typing.form.watch()} feed={feed} isOwner={isOwner} />
        {tried !== null && <Tried {...tried} />}
      </Form>
    </Sheet>
  );
}

function FeedFields({ watch, feed, isOwner }: { watch: FeedTyped; feed: ShownFeed | null; isOwner: boolean }) {
  const isAllowed = feed?.allowed === true && feed.url === watch.url.trim();
  return (
    <>
      <TextField
        name="url"
        label="Address"
        className="col-span-6"
        placeholder="https://prices.seller.example/feed.json"
        inputMode="url"
        spellCheck={false}
        autoFocus
      />
      <ChoiceField
        name="kind"
        label="What answers there"
        className="col-span-4"
        options={Object.entries(KIND_TEXTS).map(([value, text]) => ({ value, text }))}
      />
      <TextField name="minutes" label="Asked every" unit="minutes" inputMode="numeric" className="col-span-2" />
      {watch.kind !== 'feed' && (
        <CheckField name="applies" className="col-span-6 min-h-9">
          apply rows that are sure; the rest waits for somebody to look at it
        </CheckField>
      )}
      {isOwner && !isAllowed && (
        <CheckField name="allow" className="col-span-6 min-h-9">
          allow this host to be asked
        </CheckField>
      )}
      {isOwner && !isAllowed && watch.allow && (
        <CheckField name="allowOwn" className="col-span-6 min-h-9">
          it is on our own machine or network
        </CheckField>
      )}
      {!isOwner && !isAllowed && (
        <p className="col-span-6 text-sm text-ink-2">An owner has to allow a host before it is asked.</p>
      )}
    </>
  );
}

/** What the feed answered, and what would become of each row. */
function Tried({ sentence, rows }: FeedTry) {
  return (
    <section aria-label="What would come of it" className="col-span-6 border-y border-line py-2 text-sm">
      <p className="font-medium">{sentence}</p>
      <ul className="mt-1">
        {rows.map(({ text, price, fate }) => (
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
  );
}
