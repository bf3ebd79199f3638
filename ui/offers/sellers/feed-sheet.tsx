'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { ListedSeller } from '@/service/market/view';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../../client/use-save';
import { Button } from '../../kit/button';
import { CheckField, ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { type Read, readTyped, wholeTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import type { ShownFeed } from './feed-words';

const KIND_TEXTS = {
  feed: 'feed.kinds.json',
  csv: 'feed.kinds.csv',
  page: 'feed.kinds.page',
} as const satisfies Record<ShownFeed['kind'], string>;

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

function readFeed(
  t: StaffWords<'offers'>,
  { url, kind, minutes, applies, allow, allowOwn }: FeedTyped,
): Read<FeedTyped, object> {
  const looked = {
    url: !/^https?:\/\/\S+$/i.test(url.trim()) && t('feed.faults.address'),
    minutes: wholeTyped(minutes) === null && t('feed.faults.minutes'),
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

/** Where a seller's prices are asked for on their own, and what would come of it before it counts. */
export function FeedSheet({ seller, feed, isOwner, onClose, onSaved }: FeedSheetProps) {
  const t = useTranslations('offers');
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
    read: (typed) => readFeed(t, typed),
    send: async (body, { minutes }) => {
      const result = await save('PUT', at, body);
      if (result.ok) told(t('feed.saved', { trim: minutes.trim() }));
      return result;
    },
  });
  const tryIt = async () => {
    const typed = readFeed(t, typing.form.getValues());
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
      if (result.ok) told(t('feed.removed'));
      return result;
    });
  return (
    <Sheet open wide title={t('feed.title', { name: seller.name })} description={t('feed.what')} onClose={onClose}>
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        action={t('save')}
        onLeave={onClose}
        beside={
          <>
            {feed !== null && (
              <Button weight="quiet" disabled={typing.busy} onClick={() => void remove()}>
                {t('feed.remove')}
              </Button>
            )}
            <Button disabled={typing.busy} onClick={() => void tryIt()}>
              {t('feed.try')}
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
  const t = useTranslations('offers');
  const isAllowed = feed?.allowed === true && feed.url === watch.url.trim();
  return (
    <>
      <TextField
        name="url"
        label={t('feed.address')}
        className="col-span-6"
        placeholder="https://prices.seller.example/feed.json"
        inputMode="url"
        spellCheck={false}
        autoFocus
      />
      <ChoiceField
        name="kind"
        label={t('feed.kind')}
        className="col-span-4"
        options={Object.entries(KIND_TEXTS).map(([value, text]) => ({ value, text: t(text) }))}
      />
      <TextField
        name="minutes"
        label={t('feed.every')}
        unit={t('feed.minutes')}
        inputMode="numeric"
        className="col-span-2"
      />
      {watch.kind !== 'feed' && (
        <CheckField name="applies" className="col-span-6 min-h-9">
          {t('feed.apply')}
        </CheckField>
      )}
      {isOwner && !isAllowed && (
        <CheckField name="allow" className="col-span-6 min-h-9">
          {t('feed.allow')}
        </CheckField>
      )}
      {isOwner && !isAllowed && watch.allow && (
        <CheckField name="allowOwn" className="col-span-6 min-h-9">
          {t('feed.local')}
        </CheckField>
      )}
      {!isOwner && !isAllowed && <p className="col-span-6 text-sm text-ink-2">{t('feed.owner')}</p>}
    </>
  );
}

/** What the feed answered, and what would become of each row. */
function Tried({ sentence, rows }: FeedTry) {
  const t = useTranslations('offers');
  return (
    <section aria-label={t('feed.preview')} className="col-span-6 border-y border-line py-2 text-sm">
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
