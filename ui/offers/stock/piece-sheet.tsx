'use client';
import { useTranslations } from '#translations';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { worded } from '@/ui/words/worded';
import type { StaffWords } from '@/words/staff-words';
import { moduleOfLabel } from '../../board/module-of-label';
import { useSave } from '../../client/use-save';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { isTyped, type Read, readTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';

const TESTS = [
  { value: 'tested', text: 'pieces.tested' },
  { value: 'read', text: 'pieces.read' },
  { value: 'untested', text: 'pieces.notTested' },
] as const;
const GRADES = [
  { value: 'A', text: 'pieces.grades.A' },
  { value: 'B', text: 'pieces.grades.B' },
  { value: 'C', text: 'pieces.grades.C' },
] as const;

const BLANK = { label: '', serial: '', test: 'tested', grade: 'B', job: '', worth: '', note: '' };
type TypedPiece = typeof BLANK;

/** What was typed, as it is sent; or what is wrong with it. */
function readPiece(t: StaffWords<'offers'>, typed: TypedPiece, currency: string): Read<TypedPiece, object> {
  const { job, worth, ...piece } = typed;
  const worthCents = isTyped(worth) ? parseMoneyIn(worth, currency) : null;
  const looked = {
    label: !isTyped(piece.label) && t('pieces.faults.label'),
    job: isTyped(job) && !/^[1-9]\d{0,8}$/.test(job.trim()) && t('pieces.faults.job'),
    worth: isTyped(worth) && (worthCents === null || worthCents <= 0) && t('pieces.faults.worth'),
  };
  const originJobId = isTyped(job) ? Number(job) : null;
  return readTyped<TypedPiece, object>(looked, () => ({ ...piece, originJobId, worthCents }));
}

interface PieceSheetProps {
  currency: string;
  onClose: () => void;
  onSaid: (text: string) => void;
}

/** A used module, put on the shelf. */
export function PieceSheet({ currency, onClose, onSaid }: PieceSheetProps) {
  const t = useTranslations('offers');
  const { save } = useSave();
  const typing = useTyped<TypedPiece, object>({
    from: BLANK,
    read: (typed) => readPiece(t, typed, currency),
    send: async (body) => {
      const result = await save<{ sentence: string }>('POST', '/api/shelf', body);
      if (result.ok) {
        onSaid(result.value.sentence);
        onClose();
      }
      return result;
    },
  });
  const label = typing.form.watch('label');
  const hint = isTyped(label) ? (moduleOfLabel(label)?.line ?? t('stock.faults.notAModule')) : undefined;
  return (
    <Sheet open title={t('pieces.add')} description={t('pieces.what')} onClose={onClose}>
      <Form typing={typing} className="grid grid-cols-2 gap-3" action={t('addAction')}>
        <TextField
          name="label"
          label={t('pieces.label')}
          className="col-span-2"
          placeholder="Corrick 8GB 2Rx8 PC4-2400T DIMM"
          autoFocus
          hint={hint}
        />
        <ChoiceField name="test" label={t('pieces.test')} options={worded(t, TESTS)} />
        <ChoiceField name="grade" label={t('pieces.grade')} options={worded(t, GRADES)} />
        <TextField name="serial" label={t('pieces.serial')} maxLength={80} data-scan="serial" />
        <TextField name="job" label={t('pieces.job')} inputMode="numeric" />
        <TextField
          name="worth"
          label={t('pieces.worth')}
          unit={currency}
          inputMode="decimal"
          placeholder={t('pieces.byRule')}
        />
        <TextField name="note" label={t('pieces.note')} maxLength={200} />
      </Form>
    </Sheet>
  );
}
