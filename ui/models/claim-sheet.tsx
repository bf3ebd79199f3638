'use client';
import { useTranslations } from '#translations';
import type { Claim } from '@/core/machine/limits/limit';
import { wordsOn } from '@/core/machine/limits/resolve-claims';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Sheet } from '../kit/sheet';
import { AddClaim } from '../limits/add-claim';
import { type LimitRow, limitText } from '../limits/limit-words';
import { whyLimit } from '../limits/verdict-words';
import { WordLine } from '../limits/word-line';

interface ClaimSheetProps {
  row: LimitRow;
  model: { id: number; name: string };
  claims: readonly Claim[];
  onClose: () => void;
}

/** What is claimed of one limit of a model: each source's word, to take out or to add to. */
export function ClaimSheet({ row, model, claims, onClose }: ClaimSheetProps) {
  const t = useTranslations('models');
  const tLimits = useTranslations('limits');
  const { busy, sentence, save } = useSave();
  const words = wordsOn(claims, row.name);
  const drop = ({ source }: Claim) =>
    save('DELETE', `/api/models/${model.id}/claims`, { limit: row.name, kind: source.kind, name: source.name });
  return (
    <Sheet
      open
      wide
      title={tLimits(row.text)}
      description={whyLimit(tLimits, words, (value) => limitText(tLimits, row.sort, value))}
      onClose={onClose}
    >
      <ul className="divide-y divide-line">
        {words.map((word) => (
          <WordLine key={`${word.source.kind} ${word.source.name}`} row={row} word={word}>
            <Button
              weight="quiet"
              disabled={busy}
              onClick={() => void drop(word)}
              aria-label={t('claim.removeOne', { name: word.source.name })}
            >
              {t('remove')}
            </Button>
          </WordLine>
        ))}
      </ul>
      <Fault sentence={sentence} />
      <AddClaim row={row} modelId={model.id} modelName={model.name} open />
      <div className="flex justify-end mt-4">
        <Button onClick={onClose}>{t('close')}</Button>
      </div>
    </Sheet>
  );
}
