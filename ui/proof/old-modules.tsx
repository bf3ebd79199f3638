'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { OldModuleView } from '@/service/job/bench/view';
import { worded } from '@/ui/words/worded';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';

const FATE_WORDS = { returned: 'old.customer', shelf: 'old.stock', scrapped: 'old.scrapped' } as const;
const TESTS = [
  { value: 'tested', text: 'old.tests' },
  { value: 'read', text: 'old.read' },
  { value: 'untested', text: 'old.untested' },
] as const;
const GRADES = ['A', 'B', 'C'];

function Row({ old }: { old: OldModuleView }) {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [toShelf, setToShelf] = useState(false);
  const [serial, setSerial] = useState('');
  const [test, setTest] = useState('read');
  const [grade, setGrade] = useState('B');
  const isSeveral = job.machine.count > 1;
  const [every, setEvery] = useState(isSeveral);
  const settle = ({ fate, ...more }: { fate: string; piece?: object }) =>
    save('POST', `/api/jobs/${job.id}/old-module`, {
      slot: old.slot,
      machine: job.work.machine,
      fate,
      ...(fate !== 'undo' && { everyMachine: every }),
      ...more,
    });
  const put = async () => {
    const { ok } = await settle({
      fate: 'shelf',
      piece: { label: old.what, serial: every ? '' : serial, test, grade },
    });
    if (ok) setToShelf(false);
  };
  return (
    <li className="py-2 grid gap-2">
      <div className="flex flex-wrap gap-3 items-center">
        <span className="flex-1 min-w-64">
          <strong>{old.what}</strong> <span className="text-ink-2">{t('old.from', { slot: old.slot })}</span>
        </span>
        {old.fate === null ? (
          <>
            <Button disabled={busy} onClick={() => void settle({ fate: 'returned' })}>
              {t('old.toCustomer')}
            </Button>
            {job.may.writeStock && (
              <Button disabled={busy} aria-expanded={toShelf} onClick={() => setToShelf(!toShelf)}>
                {t('old.toStock')}
              </Button>
            )}
            <Button disabled={busy} onClick={() => void settle({ fate: 'scrapped' })}>
              {t('old.scrap')}
            </Button>
          </>
        ) : (
          <span className="text-good font-semibold">
            ✓ {t(FATE_WORDS[old.fate])} <span className="text-sm text-ink-2 font-normal">{old.by}</span>{' '}
            {old.fate !== 'shelf' && (
              <Button weight="quiet" disabled={busy} onClick={() => void settle({ fate: 'undo' })}>
                {t('old.undo')}
              </Button>
            )}
          </span>
        )}
      </div>
      {isSeveral && old.fate === null && (
        <Check checked={every} onChange={setEvery} className="w-fit">
          {t('old.every', { count: job.machine.count })}
        </Check>
      )}
      {toShelf && old.fate === null && (
        <div className="flex flex-wrap gap-3 items-end">
          <Field
            label={t('old.serial')}
            className="w-48"
            value={every ? '' : serial}
            disabled={every}
            onChange={(event) => setSerial(event.target.value)}
            data-scan="serial"
          />
          <Choice
            label={t('old.tested')}
            className="w-44"
            value={test}
            onChange={(event) => setTest(event.target.value)}
            options={worded(t, TESTS)}
          />
          <Choice
            label={t('old.gradeLabel')}
            className="w-28"
            value={grade}
            onChange={(event) => setGrade(event.target.value)}
            options={GRADES.map((one) => ({ value: one, text: t('old.grade', { grade: one }) }))}
          />
          <Button weight="act" disabled={busy} onClick={() => void put()}>
            {t('old.add')}
          </Button>
        </div>
      )}
      <Fault sentence={sentence} />
    </li>
  );
}

/** What becomes of the modules that came out. */
export function OldModulesSection() {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { old, accepted } = job.work;
  if (old.length === 0) return null;
  return (
    <section aria-label={t('old.label')}>
      <div className="flex items-baseline gap-3 border-b-4 border-edge pb-1">
        <h2 className="text-base">{t('old.label')}</h2>
        <span className="text-sm text-ink-2">{t('old.by', { oldModules: accepted?.option.oldModules ?? '' })}</span>
      </div>
      <ul className="divide-y divide-line">
        {old.map((one) => (
          <Row key={one.slot} old={one} />
        ))}
      </ul>
    </section>
  );
}
