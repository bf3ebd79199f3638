'use client';
import { useTranslations } from '#translations';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { isTyped, type Read, readTyped, wholeTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';

interface TypedScreen {
  total: string;
  counts: 'usable' | 'installed';
  rate: string;
  channels: string;
  /** by the sockets' order: their names may hold what names of fields may not */
  sockets: string[];
}

/** What was read off the screen, or what is wrong with it. @param names of the sockets */
function readScreen(t: StaffWords<'proof'>, typed: TypedScreen, names: readonly string[]): Read<TypedScreen, object> {
  const { total, counts, rate, channels, sockets } = typed;
  const noWhole = (text: string) => isTyped(text) && wholeTyped(text) === null && t('faults.numbers');
  const looked = {
    total: !isTyped(total) && t('faults.total'),
    rate: noWhole(rate),
    channels: noWhole(channels),
  };
  return readTyped<TypedScreen, object>(looked, () => ({
    total,
    counts,
    rateMTs: wholeTyped(rate),
    channels: wholeTyped(channels),
    sockets: Object.fromEntries(names.map((name, nr) => [name, sockets[nr] ?? ''])),
  }));
}

/** What somebody reads off the machine's screen, where there is no report. */
export function FromScreen() {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { save } = useSave();
  const sockets = (job.work.accepted?.option.after ?? []).map(({ slot }) => slot);
  const nothing: TypedScreen = { total: '', counts: 'usable', rate: '', channels: '', sockets: sockets.map(() => '') };
  const typing = useTyped<TypedScreen, object>({
    from: nothing,
    next: nothing,
    read: (typed) => readScreen(t, typed, sockets),
    send: (body) => save('POST', `/api/jobs/${job.id}/proof/typed`, { machine: job.work.machine, ...body }),
  });
  return (
    <details>
      <summary className="cursor-pointer w-fit py-1 underline underline-offset-4">{t('screen.action')}</summary>
      <Form typing={typing} box="pt-1" className="flex flex-wrap gap-3 items-end has-[[aria-invalid]]:items-start">
        <TextField name="total" label={t('screen.total')} className="w-32" placeholder="15.9 GB" />
        <ChoiceField
          name="counts"
          label={t('screen.counts')}
          className="w-56"
          options={[
            { value: 'usable', text: t('screen.usable') },
            { value: 'installed', text: t('screen.installed') },
          ]}
        />
        <TextField name="rate" label={t('screen.rate')} className="w-32" unit="MT/s" inputMode="numeric" />
        <TextField name="channels" label={t('screen.channels')} className="w-24" inputMode="numeric" />
        {sockets.length > 0 && (
          <fieldset className="basis-full">
            <legend className="text-sm text-ink-2">{t('screen.slots')}</legend>
            <div className="flex flex-wrap gap-2">
              {sockets.map((slot, nr) => (
                <TextField key={slot} name={`sockets.${nr}`} label={slot} className="w-24" />
              ))}
            </div>
          </fieldset>
        )}
        <Send weight="plain" className="min-h-11">
          {t('compare')}
        </Send>
      </Form>
    </details>
  );
}
