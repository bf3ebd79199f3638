'use client';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { dayText } from '../words/amounts';
import { BY_WORDS } from './earlier-words';
import { Apart } from './readings/apart';
import { useFind } from './use-find';

interface SuggestionsProps {
  jobId: number;
  /** the machine is known already: models are offered only for what is typed */
  known: boolean;
  text: string;
  /** what was typed has become a model or an earlier job */
  onTaken: () => void;
}

/** What a typed line may mean: models, the question that tells near-equal ones apart, customers who were here before. */
export function Suggestions({ jobId, known, text, onTaken }: SuggestionsProps) {
  const t = useTranslations('intake');
  const { models, question, jobs } = useFind(known && text.trim() === '' ? null : text, jobId);
  const { busy, sentence, save } = useSave();
  const pick = async (modelId: number) => {
    const result = await save('PUT', `/api/jobs/${jobId}/model`, { modelId });
    if (result.ok) onTaken();
  };
  const goOn = async (from: number, what: 'customer' | 'machine') => {
    const result = await save('POST', `/api/jobs/${jobId}/earlier`, { from, what });
    if (result.ok) onTaken();
  };
  const asked = new Set(question?.answers.map(({ id }) => id));
  const others = models.filter(({ id }) => !asked.has(id));
  if (models.length === 0 && jobs.length === 0) return null;
  return (
    <div className="mt-2 grid gap-2 border-t border-line pt-2">
      {jobs.length > 0 && (
        <div className="grid gap-1">
          {jobs.map((job) => (
            <div key={job.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
              <span className="flex-1 min-w-64">
                {t.rich('earlier.was', {
                  e0: () => <strong>{job.customer || t('noName')}</strong>,
                  on: dayText(job.on),
                  value: job.machine !== '' ? t('earlier.withA', { machine: job.machine }) : '',
                  value2: t(BY_WORDS[job.by]),
                })}
              </span>
              <Button disabled={busy} onClick={() => goOn(job.id, 'customer')}>
                {t('earlier.sameCustomer')}
              </Button>
              {job.machine !== '' && (
                <Button disabled={busy} onClick={() => goOn(job.id, 'machine')}>
                  {t('earlier.sameMachine')}
                </Button>
              )}
            </div>
          ))}
        </div>
      )}
      {question !== null && <Apart question={question} busy={busy} onPick={(id) => void pick(id)} />}
      {others.length > 0 && (
        <div className="flex flex-wrap gap-2 items-center">
          <span className="text-sm text-ink-2">
            {text.trim() === '' ? t('models.late') : question === null ? t('models.isIt') : t('models.orOne')}
          </span>
          {others.map((model) => (
            <Button key={model.id} disabled={busy} onClick={() => pick(model.id)} title={model.memory}>
              {model.maker} {model.name} <span className="text-ink-2 font-normal">{model.years}</span>
            </Button>
          ))}
        </div>
      )}
      <Fault sentence={sentence} />
    </div>
  );
}
