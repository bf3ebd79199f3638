'use client';
import { useEffect, useState } from 'react';
import { OFFER_SORTS, type OfferSort } from '@/core/market/offer-sort';
import { useCall } from '../client/session-guard';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import type { EditedOffer, MarketOffer } from './listed-offer';
import { ManyOrigins } from './many-origins';
import { MarketTable } from './market-table';
import { SORT_TEXTS, shelfText } from './market-words';
import { OfferForm } from './offer-form';
import { OfferSheet } from './offer-sheet';
import type { CountingGround } from './price-form';
import type { ShownFeed } from './sellers/feed-words';
import type { ListedSeller } from './sellers/listed-seller';
import { type MarketWindow, useMarket } from './use-market';

interface MarketDeskProps {
  start: MarketWindow;
  wish: { text: string; jobId: number | null; sort: OfferSort };
  /** whose machine the offers have to fit */
  jobName: string | null;
  sellers: readonly ListedSeller[];
  feeds: readonly ShownFeed[];
  ground: CountingGround;
  mayPrice: boolean;
  /** what offers cost the shop is shown */
  seesCost: boolean;
}

/** Hands over the offers that are found as a file; false where there is none to be had. */
async function download(wish: { text: string; jobId: number | null; sort: OfferSort }): Promise<boolean> {
  const answer = await fetch('/api/offers/export', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(wish),
  }).catch(() => null);
  if (!answer?.ok) return false;
  const address = URL.createObjectURL(await answer.blob());
  const link = document.createElement('a');
  link.href = address;
  link.download = 'offers.csv';
  link.click();
  URL.revokeObjectURL(address);
  return true;
}

/** Where the desk stands, so that it can be come back to and sent to somebody. */
function addressOf(text: string, jobId: number | null, sort: OfferSort): string {
  const query = new URLSearchParams();
  if (text !== '') query.set('find', text);
  if (jobId !== null) query.set('job', String(jobId));
  if (sort !== 'price') query.set('sort', sort);
  return query.size === 0 ? '/offers' : `/offers?${query}`;
}

/** The market: offers by what is typed and by what a machine takes, one kind of module at a time, sorted any way. */
export function MarketDesk({ start, wish, jobName, sellers, feeds, ground, mayPrice, seesCost }: MarketDeskProps) {
  const [text, setText] = useState(wish.text);
  const [jobId, setJobId] = useState(wish.jobId);
  const [sort, setSort] = useState(wish.sort);
  const [picked, setPicked] = useState<number | null>(null);
  const [noFile, setNoFile] = useState(false);
  const [opened, setOpened] = useState<MarketOffer | null>(null);
  const [writing, setWriting] = useState<{ from: { offer: EditedOffer; copy: boolean } | null } | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [turning, setTurning] = useState(false);
  const [turned, setTurned] = useState<number | null>(null);
  const [withdrawn, setWithdrawn] = useState<number | null>(null);
  const market = useMarket({ text, jobId, familyId: picked, sort }, start);
  useEffect(() => {
    window.history.replaceState(null, '', addressOf(text, jobId, sort));
  }, [text, jobId, sort]);
  const call = useCall();
  const edit = async (id: number, copy = false) => {
    const result = await call<EditedOffer>('GET', `/api/offers/${id}`);
    if (result.ok) setWriting({ from: { offer: result.value, copy } });
    else setSaid(result.sentence);
  };
  const turnBack = async (event: number) => {
    const result = await call<{ changed: number }>('POST', '/api/offers/origin/undo', { event });
    setTurned(null);
    setSaid(result.ok ? `The origin of ${result.value.changed} offers is as it was.` : result.sentence);
    market.again();
  };
  const putBack = async (id: number) => {
    const result = await call('PUT', `/api/offers/${id}/withdrawn`, { withdrawn: false });
    setWithdrawn(null);
    setSaid(result.ok ? 'It is on the market again.' : result.sentence);
    market.again();
  };
  const shelf = market.shelves.find(({ familyId }) => familyId === market.familyId) ?? null;
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-center gap-3">
        <input
          aria-label="Find offers"
          data-scan="part"
          placeholder="Find: 16 GB DDR4 SO-DIMM original, 2x8GB CL17, a maker, a seller"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className={`${INPUT_LOOK} flex-1 min-w-48`}
        />
        {jobId !== null && (
          <span className="flex items-center gap-2 text-sm bg-act-soft px-3 py-1.5 rounded-notch">
            fits {jobName ?? 'the machine of the job'}
            <button type="button" className="underline underline-offset-2" onClick={() => setJobId(null)}>
              show all
            </button>
          </span>
        )}
      </div>
      {mayPrice && (
        <div className="flex items-center gap-3">
          <Button onClick={() => setWriting({ from: null })}>Add an offer</Button>
          {said !== null && (
            <span role="status" className="text-sm">
              {said}
            </span>
          )}
          {turned !== null && (
            <Button weight="quiet" onClick={() => void turnBack(turned)}>
              Undo
            </Button>
          )}
          {withdrawn !== null && (
            <Button weight="quiet" onClick={() => void putBack(withdrawn)}>
              Undo
            </Button>
          )}
        </div>
      )}
      <Fault sentence={noFile ? 'The file could not be made: try again.' : market.sentence} />
      {market.familyId === null ? (
        <p className="bg-sheet border border-line px-4 py-8 text-center">
          {jobId === null ? 'No offer is all of this.' : 'No offer that fits the machine is all of this.'}
        </p>
      ) : (
        <div
          className={`grid gap-4 items-start max-[860px]:grid-cols-1 ${market.shelves.length > 1 ? 'grid-cols-[13.5rem_minmax(0,1fr)]' : ''}`}
        >
          {market.shelves.length > 1 && (
            <nav
              aria-label="Kinds of module"
              className="grid gap-px bg-line border border-line max-[860px]:flex max-[860px]:overflow-x-auto"
            >
              {market.shelves.map(({ familyId, label, offers }) => (
                <button
                  key={familyId}
                  type="button"
                  aria-pressed={familyId === market.familyId}
                  onClick={() => setPicked(familyId === 0 ? null : familyId)}
                  className={`flex justify-between gap-3 px-3 py-2 text-sm text-left min-h-10 max-[860px]:flex-none ${
                    familyId === market.familyId ? 'bg-board text-board-ink font-semibold' : 'bg-sheet hover:bg-sunk'
                  }`}
                >
                  <span>{shelfText(label)}</span>
                  <span className={familyId === market.familyId ? '' : 'text-ink-2'}>
                    {offers.toLocaleString('en')}
                  </span>
                </button>
              ))}
            </nav>
          )}
          <div className="grid gap-2 min-w-0">
            <fieldset className="flex flex-wrap gap-x-1 gap-y-1 items-center text-sm">
              <legend className="sr-only">Sorted by</legend>
              <span aria-hidden="true" className="text-ink-2 mr-1">
                by
              </span>
              {OFFER_SORTS.map((one) => (
                <label
                  key={one}
                  className={`px-2.5 py-1.5 cursor-pointer rounded-notch border has-focus-visible:outline-2 ${
                    one === sort ? 'border-edge bg-sheet font-semibold' : 'border-transparent text-ink-2 hover:bg-sunk'
                  }`}
                >
                  <input
                    type="radio"
                    name="sort"
                    className="sr-only"
                    checked={one === sort}
                    onChange={() => setSort(one)}
                  />
                  {SORT_TEXTS[one]}
                </label>
              ))}
              {mayPrice && (shelf?.offers ?? 0) > 0 && (
                <button
                  type="button"
                  className="ml-auto underline underline-offset-2 cursor-pointer"
                  onClick={() => setTurning(true)}
                >
                  Change origin…
                </button>
              )}
              {seesCost && (
                <button
                  type="button"
                  className={`${mayPrice ? 'ml-3' : 'ml-auto'} underline underline-offset-2 cursor-pointer`}
                  onClick={() => void download({ text, jobId, sort }).then((came) => setNoFile(!came))}
                >
                  As CSV
                </button>
              )}
              <span role="status" className="text-ink-2">
                {market.busy ? 'looking…' : ''}
              </span>
            </fieldset>
            <MarketTable
              key={`${market.familyId} ${sort} ${text}`}
              name={`${shelfText(shelf?.label ?? null)}, by ${SORT_TEXTS[sort]}`}
              total={shelf?.offers ?? 0}
              pages={market.pages}
              onSee={market.see}
              feeds={feeds}
              currency={ground.currency}
              mayPrice={mayPrice}
              onOpen={seesCost ? setOpened : null}
              onEdit={mayPrice ? (offer) => void edit(offer.id) : null}
            />
          </div>
        </div>
      )}
      {turning && shelf !== null && (
        <ManyOrigins
          wish={{ text, jobId, familyId: market.familyId === 0 ? null : market.familyId }}
          count={shelf.offers}
          what={`${shelfText(shelf.label)}${text === '' ? '' : `, found by “${text}”`}`}
          onClose={() => setTurning(false)}
          onSaved={(sentence, event) => {
            setTurning(false);
            setSaid(sentence);
            setTurned(event);
            setWithdrawn(null);
            market.again();
          }}
        />
      )}
      {writing !== null && (
        <OfferForm
          key={writing.from?.copy ? 'copy' : 'own'}
          from={writing.from}
          sellers={sellers.filter(({ retired }) => !retired)}
          currency={ground.currency}
          onClose={() => setWriting(null)}
          onCopy={() => setWriting(writing.from === null ? null : { from: { ...writing.from, copy: true } })}
          onSaved={(sentence, gone) => {
            setWriting(null);
            setSaid(sentence);
            setWithdrawn(gone ?? null);
            setTurned(null);
            market.again();
          }}
        />
      )}
      {opened !== null && (
        <OfferSheet
          offer={opened}
          terms={sellers.find(({ id }) => id === opened.sellerId)?.terms ?? null}
          ground={ground}
          mayPrice={mayPrice}
          onClose={(priced) => {
            setOpened(null);
            if (priced) market.again();
          }}
        />
      )}
    </div>
  );
}
