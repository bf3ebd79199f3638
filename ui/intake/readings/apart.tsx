'use client';
import { useTranslations } from '#translations';
import type { ApartQuestion } from '@/core/machine/models/disambiguate';
import { Button } from '../../kit/button';

interface ApartProps {
  question: ApartQuestion;
  busy: boolean;
  onPick: (modelId: number) => void;
}

/** The one question that tells near-equal models apart; each answer says what it means for memory. */
export function Apart({ question, busy, onPick }: ApartProps) {
  const t = useTranslations('intake');
  return (
    <section aria-label={t('question')} className="grid gap-1">
      <p className="font-semibold">{question.text}</p>
      <div className="flex flex-wrap gap-2">
        {question.answers.map((answer) => (
          <Button key={answer.id} disabled={busy} onClick={() => onPick(answer.id)} className="text-left py-1">
            <span>
              {answer.text}
              <span className="block text-ink-2 font-normal text-sm">{answer.memory}</span>
            </span>
          </Button>
        ))}
      </div>
    </section>
  );
}
