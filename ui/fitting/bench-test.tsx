'use client';
import { useCallback, useEffect, useState } from 'react';
import { useTranslations } from '#translations';
import { parseShown } from '@/core/proving/held-share';
import type { BenchTests, BenchTestView, TestChoice } from '@/service/job/bench/bench-test';
import type { StaffWords } from '@/words/staff-words';
import { callOnce } from '../client/session-guard';
import { type Saving, useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { isTyped, wholeTyped } from '../kit/form/read-typed';
import { capacityText, dayText } from '../words/amounts';

type T = StaffWords<'fitting'>;
type Run = BenchTestView['runs'][number];

const SIGNS = {
  works: { sign: '✓', look: 'text-good' },
  'starts-with-faults': { sign: '△', look: 'text-mind' },
  'fails-to-start': { sign: '✕', look: 'text-stop' },
} as const;

/** So many of a size, as it is said. */
const setText = (modules: number, moduleMiB: number): string => `${modules} × ${capacityText(moduleMiB)}`;

function runText(t: T, run: Run): string {
  const parts = [
    t(`test.outcomes.${run.outcome}`),
    run.seenMiB === null ? '' : t('test.seen', { seen: capacityText(run.seenMiB) }),
    run.loadedMinutes === null ? '' : t('test.ranLoaded', { minutes: run.loadedMinutes }),
    run.signs,
  ];
  return parts.filter((part) => part !== '').join(', ');
}

/** What was noted of a run, with its sign before the colour. */
function Noted({ run, moduleMiB }: { run: Run; moduleMiB: number }) {
  const t = useTranslations('fitting');
  const { sign, look } = SIGNS[run.outcome];
  return (
    <li className="flex gap-2 items-baseline">
      <span aria-hidden="true" className={`${look} font-bold`}>
        {sign}
      </span>
      <span>
        <strong>{setText(run.modules, moduleMiB)}</strong>: {runText(t, run)}
        {run.by !== null && <span className="text-ink-2 text-sm"> · {run.by}</span>}
      </span>
    </li>
  );
}

interface NoteProps {
  test: BenchTestView;
  modules: number;
  saving: Saving;
  send: (body: object) => Promise<void>;
}

/** How a run goes: it starts or it does not, what it shows, what else was seen. */
function NoteRun({ test, modules, saving, send }: NoteProps) {
  const t = useTranslations('fitting');
  const [starts, setStarts] = useState<boolean | null>(null);
  const [shown, setShown] = useState('');
  const [signs, setSigns] = useState('');
  const [minutes, setMinutes] = useState('');
  const expected = test.solderedMiB + modules * test.moduleMiB;
  const seenMiB = starts === true && isTyped(shown) ? parseShown(shown) : null;
  const isNoSize = starts === true && isTyped(shown) && seenMiB === null;
  const loaded = starts === true && isTyped(minutes) ? (wholeTyped(minutes, 4) ?? 0) : null;
  const isWrong = isNoSize || loaded === 0;
  const note = () => send({ what: 'run', run: { starts, seenMiB, signs: signs.trim(), loadedMinutes: loaded } });
  return (
    <div className="grid gap-3">
      <p className="text-lg">
        {t.rich('test.step', {
          set: setText(modules, test.moduleMiB),
          slots: test.slots.slice(0, modules).join(', '),
          e0: (inner) => <strong>{inner}</strong>,
          expected: capacityText(expected),
        })}
      </p>
      <fieldset className="flex flex-wrap gap-3">
        <legend className="sr-only">{t('test.how')}</legend>
        {[true, false].map((answer) => (
          <Button
            key={String(answer)}
            aria-pressed={starts === answer}
            className="min-h-14 px-6 text-lg!"
            onClick={() => setStarts(answer)}
          >
            {answer ? t('test.starts') : t('test.fails')}
          </Button>
        ))}
      </fieldset>
      {starts !== null && (
        <div className="flex flex-wrap gap-3 items-start">
          {starts && (
            <>
              <Field
                label={t('test.shows')}
                className="w-40"
                inputMode="decimal"
                unit="GB"
                value={shown}
                error={isNoSize ? t('test.noSize') : null}
                onChange={(event) => setShown(event.target.value)}
              />
              <Field
                label={t('test.loaded')}
                className="w-44"
                inputMode="numeric"
                unit={t('test.min')}
                value={minutes}
                error={loaded === 0 ? t('test.noMinutes') : null}
                onChange={(event) => setMinutes(event.target.value)}
              />
            </>
          )}
          <Field
            label={t('test.signs')}
            className="flex-1 min-w-64"
            value={signs}
            onChange={(event) => setSigns(event.target.value)}
          />
        </div>
      )}
      <div className="flex flex-wrap gap-3 items-center">
        <Button weight="act" disabled={saving.busy || starts === null || isWrong} onClick={() => void note()}>
          {t('test.note')}
        </Button>
        <Button weight="quiet" disabled={saving.busy} onClick={() => void send({ what: 'give-up' })}>
          {t('test.giveUp')}
        </Button>
      </div>
    </div>
  );
}

interface BeginProps {
  choices: readonly TestChoice[];
  saving: Saving;
  send: (body: object) => Promise<void>;
}

/** Which modules of stock are tried, and how many. */
function Begin({ choices, saving, send }: BeginProps) {
  const t = useTranslations('fitting');
  const [offer, setOffer] = useState(choices[0]?.offerId ?? 0);
  const choice = choices.find(({ offerId }) => offerId === offer) ?? choices[0];
  const [wanted, setWanted] = useState(2);
  if (choice === undefined) return <p className="text-ink-2">{t('test.nothing')}</p>;
  const modules = Math.min(wanted, choice.most);
  return (
    <div className="flex flex-wrap gap-3 items-end min-w-0">
      <Choice
        label={t('test.which')}
        className="w-96 max-w-full"
        value={String(choice.offerId)}
        onChange={(event) => setOffer(Number(event.target.value))}
        options={choices.map(({ offerId, title, most }) => ({
          value: String(offerId),
          text: t('test.choice', { title, most }),
        }))}
      />
      <Choice
        label={t('test.count')}
        className="w-24"
        value={String(modules)}
        onChange={(event) => setWanted(Number(event.target.value))}
        options={Array.from({ length: choice.most }, (_, nr) => ({ value: String(nr + 1), text: String(nr + 1) }))}
      />
      <Button disabled={saving.busy} onClick={() => void send({ what: 'begin', offer: choice.offerId, modules })}>
        {t('test.begin')}
      </Button>
    </div>
  );
}

/** A test with what was noted of it. */
function Test({
  test,
  isLast,
  ...acts
}: { test: BenchTestView; isLast: boolean } & Omit<NoteProps, 'test' | 'modules'>) {
  const t = useTranslations('fitting');
  const set = setText(test.modules, test.moduleMiB);
  const isOpen = test.ended === null;
  return (
    <li className="grid gap-2">
      <p className={isOpen ? '' : 'text-ink-2'}>
        {isOpen
          ? t('test.open', { set, title: test.title, until: dayText(test.heldUntil) })
          : t(test.ended === 'given-up' ? 'test.gaveUp' : 'test.ended', { set, title: test.title })}
      </p>
      {test.runs.length > 0 && (
        <ul className="grid gap-1">
          {test.runs.map((run) => (
            <Noted key={run.id} run={run} moduleMiB={test.moduleMiB} />
          ))}
        </ul>
      )}
      {test.next !== null && <NoteRun key={test.next} test={test} modules={test.next} {...acts} />}
      {isLast && test.runs.length > 0 && test.ended !== 'given-up' && (
        <Button
          weight="quiet"
          className="w-fit"
          disabled={acts.saving.busy}
          onClick={() => void acts.send({ what: 'undo' })}
        >
          {t('test.undo')}
        </Button>
      )}
    </li>
  );
}

/** Modules from stock are tried in the machine before anybody promises them. */
export function BenchTest() {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const saving = useSave();
  const { stamp } = job.work;
  const [known, setKnown] = useState<BenchTests | null>(null);
  const [lost, setLost] = useState<string | null>(null);
  const path = `/api/jobs/${job.id}/bench-test`;
  const read = useCallback(async () => {
    const answer = await callOnce<BenchTests>('GET', path);
    if (answer.ok) setKnown(answer.value);
    setLost(answer.ok ? null : answer.sentence);
  }, [path]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another tablet may have gone on with it.
  useEffect(() => void read(), [read, stamp]);
  const send = async (body: object) => {
    const sent = await saving.save('POST', path, body);
    if (sent.ok) await read();
  };
  const isOpen = known?.tests[0]?.ended === null;
  return (
    <section
      id="test"
      aria-label={t('test.label')}
      className="bg-sheet border-2 border-edge rounded-notch px-4 py-3 grid grid-cols-[minmax(0,1fr)] min-w-0 gap-3"
    >
      <div>
        <h2 className="text-base">{t('test.label')}</h2>
        <p className="text-sm text-ink-2">{t('test.why')}</p>
      </div>
      {known === null && lost === null && <p role="status">{t('test.reading')}</p>}
      {known !== null && known.tests.length > 0 && (
        <ul className="grid gap-3">
          {known.tests.map((test, nr) => (
            <Test key={test.id} test={test} isLast={nr === 0} saving={saving} send={send} />
          ))}
        </ul>
      )}
      {known !== null && !isOpen && known.sentence === null && (
        <Begin choices={known.choices} saving={saving} send={send} />
      )}
      {known?.sentence != null && <p className="text-ink-2">{known.sentence}</p>}
      <Fault sentence={saving.sentence ?? lost} />
    </section>
  );
}
