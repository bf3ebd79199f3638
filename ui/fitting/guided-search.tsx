'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { guide, testOf } from '@/core/fitting/guide';
import { type Cause, ENDS, type End, SIGNS, type Sign, SUSPECTS } from '@/core/fitting/guide-data';
import type { SearchView } from '@/service/job/bench/view';
import type { Called } from '../client/session-guard';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { useTyped } from '../kit/form/use-typed';
import { Notice } from '../kit/notice';
import { outcomeText, testText } from './guide-text';

const LARGE = 'text-base! min-h-12 px-4';

/** What a maker's machines beep, as the shop knows it: read, and added to. */
function Beeps({ onPick }: { onPick: (pattern: string) => void }) {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [pattern, setPattern] = useState('');
  const [means, setMeans] = useState('');
  const maker = job.machine.maker;
  if (maker === '') return null;
  const keep = async () => {
    const { ok } = await save('POST', '/api/beeps', { maker, pattern, means });
    if (!ok) return;
    onPick(pattern);
    setPattern('');
    setMeans('');
  };
  return (
    <details className="text-sm">
      <summary className="cursor-pointer py-1 w-fit underline underline-offset-4">
        {t('search.beeps', { maker, beeps: job.work.beeps.length === 0 ? t('search.noBeeps') : job.work.beeps.length })}
      </summary>
      <ul className="divide-y divide-line">
        {job.work.beeps.map((beep) => (
          <li key={beep.id} className="flex gap-3 items-baseline py-1">
            <strong className="w-40">{beep.pattern}</strong>
            <span className="flex-1">{beep.means}</span>
            <Button weight="quiet" onClick={() => onPick(beep.pattern)}>
              {t('search.this')}
            </Button>
            {job.may.writeLibrary && (
              <Button weight="quiet" disabled={busy} onClick={() => void save('DELETE', `/api/beeps/${beep.id}`)}>
                {t('search.delete')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {job.may.writeLibrary && (
        <div className="flex flex-wrap gap-2 items-end has-[[aria-invalid]]:items-start py-1">
          <Field
            label={t('search.beepsLabel')}
            className="w-44"
            value={pattern}
            onChange={(event) => setPattern(event.target.value)}
            placeholder={t('search.beepsExample')}
          />
          <Field
            label={t('search.means')}
            className="w-72"
            value={means}
            onChange={(event) => setMeans(event.target.value)}
          />
          <Button disabled={busy || pattern.trim() === '' || means.trim() === ''} onClick={() => void keep()}>
            {t('search.save')}
          </Button>
        </div>
      )}
      <Fault sentence={sentence} />
    </details>
  );
}

/** The signs to begin with. */
function Begin({ onDone }: { onDone: () => void }) {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [beeps, setBeeps] = useState('');
  const begin = async (sign: string) => {
    const { ok } = await save('POST', `/api/jobs/${job.id}/search`, {
      what: 'begin',
      sign,
      beeps: sign === 'beeps' ? beeps : '',
    });
    if (ok) onDone();
  };
  return (
    <div className="grid gap-2">
      <p className="text-lg font-semibold">{t('search.see')}</p>
      <div className="flex flex-wrap gap-2">
        {SIGNS.map((sign) => (
          <Button key={sign} className={LARGE} disabled={busy} onClick={() => void begin(sign)}>
            {t(`guide.signs.${sign}`)}
          </Button>
        ))}
      </div>
      <Field
        label={t('search.beepsIf')}
        className="w-56"
        value={beeps}
        onChange={(event) => setBeeps(event.target.value)}
        placeholder={t('search.beepsExample2')}
      />
      <Beeps onPick={setBeeps} />
      <Fault sentence={sentence} />
    </div>
  );
}

const LASTS = {
  fixed: 'search.found.fine',
  'bad-module': 'search.found.dead',
  'wrong-module': 'search.found.wrong',
  'machine-fault': 'search.found.board',
  'limit-untrue': 'search.found.limit',
} as const satisfies Record<End, string>;

function Ended({ search, onAgain }: { search: SearchView; onAgain: () => void }) {
  const t = useTranslations('fitting');
  const end = search.ended as End;
  return (
    <Notice tone={end === 'fixed' ? 'good' : 'stop'}>
      <p className="text-lg font-semibold">
        {t(`guide.ends.${end}`)}
        {search.about !== '' && `: ${search.about}`}
      </p>
      <p>
        {t(LASTS[end])} <span className="text-ink-2">{search.endedBy}</span>
      </p>
      <Button weight="quiet" onClick={onAgain}>
        {t('search.reopen')}
      </Button>
    </Notice>
  );
}

/** All that it may have been at first; what was ruled out is struck. */
function Suspects({ sign, left }: { sign: Sign; left: readonly Cause[] }) {
  const t = useTranslations('fitting');
  return (
    <div>
      <h3 className="text-sm text-ink-2">{left.length === 1 ? t('search.itIs') : t('search.maybe')}</h3>
      <ul className="flex flex-wrap gap-1.5 pt-1">
        {SUSPECTS[sign].map((cause) =>
          left.includes(cause) ? (
            <li key={cause} className="border-2 border-edge bg-sheet rounded-notch px-2 py-0.5 font-medium">
              {t(`guide.causes.${cause}`)}
            </li>
          ) : (
            <li key={cause} className="border border-line rounded-notch px-2 py-0.5 text-ink-2 line-through">
              <span className="sr-only">{t('search.ruledOut')}</span>
              {t(`guide.causes.${cause}`)}
            </li>
          ),
        )}
      </ul>
    </div>
  );
}

/** One search: what is suspected, what to try next, what came of what was tried. */
function Open({ search }: { search: SearchView }) {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const { suspects, next, end } = guide(search.sign as Sign, search.tests);
  const send = (body: object) => save('POST', `/api/jobs/${job.id}/search`, body);
  const test = next === null ? null : testOf(next);
  return (
    <div className="grid gap-3">
      <p>
        {t(`guide.signs.${search.sign as Sign}`)}
        {search.beeps !== '' && `: ${search.beeps}`} <span className="text-ink-2">· {search.beganBy}</span>
      </p>
      {test !== null && next !== null && (
        <div className="border-2 border-act bg-sheet rounded-notch px-4 py-3 grid gap-2">
          <p className="text-xl font-semibold">{t(`guide.tests.${next}.title`)}</p>
          <p className="text-lg">{t(`guide.tests.${next}.how`)}</p>
          <div className="flex flex-wrap gap-2">
            {Object.keys(test.outcomes).map((outcome) => (
              <Button
                key={outcome}
                className={LARGE}
                disabled={busy}
                onClick={() => void send({ what: 'tested', test: next, outcome })}
              >
                {outcomeText(t, next, outcome)}
              </Button>
            ))}
          </div>
          <p className="text-sm text-ink-2">{t('search.minutes', { minutes: test.minutes })}</p>
        </div>
      )}
      <Suspects sign={search.sign as Sign} left={suspects} />
      {(end !== null || next === null) && <EndOfSearch end={end} onEnd={(body) => send(body)} />}
      {search.tests.length > 0 && (
        <ol className="text-sm grid gap-0.5" aria-label={t('search.tried')}>
          {search.tests.map(({ test: key, outcome, by }, nr) => (
            <li key={key}>
              {nr + 1}. {testText(t, key)}: <strong>{outcomeText(t, key, outcome)}</strong>{' '}
              <span className="text-ink-2">{by}</span>
            </li>
          ))}
        </ol>
      )}
      {search.tests.length > 0 && (
        <Button weight="quiet" className="w-fit" disabled={busy} onClick={() => void send({ what: 'undo' })}>
          {t('search.undo')}
        </Button>
      )}
      <Fault sentence={sentence} />
    </div>
  );
}

/** When it does not start: from what is seen, over the cheapest tests, to what it is. */
export function GuidedSearch() {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { save } = useSave();
  const [last] = job.work.searches;
  const [wanted, setWanted] = useState(false);
  const isOpen = last !== undefined && last.ended === null;
  return (
    <section aria-label={t('search.when')} className="grid gap-2">
      <div className="flex items-baseline gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">{t('search.title')}</h2>
        {!isOpen && !wanted && (
          <Button className="ml-auto min-h-12" onClick={() => setWanted(true)}>
            {t('search.start')}
          </Button>
        )}
      </div>
      {last !== undefined && isOpen && <Open key={last.id} search={last} />}
      {last !== undefined && !isOpen && (
        <Ended search={last} onAgain={() => void save('POST', `/api/jobs/${job.id}/search`, { what: 'reopen' })} />
      )}
      {!isOpen && wanted && <Begin onDone={() => setWanted(false)} />}
    </section>
  );
}

interface TypedEnd {
  end: End;
  about: string;
}

/** What it was, and which one. @param end what the tests came to; null: a person says it */
function EndOfSearch({ end, onEnd }: { end: End | null; onEnd: (body: object) => Promise<Called<unknown>> }) {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const after = job.work.accepted?.option.after ?? [];
  const typing = useTyped<TypedEnd, object>({
    from: { end: end ?? 'bad-module', about: '' },
    read: (typed) => ({ ok: true, value: { what: 'end', end: end ?? typed.end, about: typed.about } }),
    send: onEnd,
  });
  return (
    <Form typing={typing} className="flex flex-wrap gap-3 items-end has-[[aria-invalid]]:items-start">
      {end === null && (
        <ChoiceField
          name="end"
          label={t('search.was')}
          className="w-80"
          options={ENDS.map((value) => ({ value, text: t(`guide.ends.${value}`) }))}
        />
      )}
      <TextField
        name="about"
        label={t('search.which')}
        className="w-72"
        placeholder={after.find(({ fate }) => fate === 'new')?.text ?? t('search.module')}
      />
      <Send className={LARGE}>{end === null ? t('search.end') : t(`guide.ends.${end}`)}</Send>
    </Form>
  );
}
