'use client';
import { parseMoneyIn } from '@/core/pricing/parse-money';
import { moduleOfLabel } from '../../board/module-of-label';
import { useSave } from '../../client/use-save';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { isTyped, type Read, readTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';

const TESTS = [
  { value: 'tested', text: 'tested' },
  { value: 'read', text: 'read in a machine' },
  { value: 'untested', text: 'not tested' },
];
const GRADES = [
  { value: 'A', text: 'A, as new' },
  { value: 'B', text: 'B, used' },
  { value: 'C', text: 'C, marked' },
];

const BLANK = { label: '', serial: '', test: 'tested', grade: 'B', job: '', worth: '', note: '' };
type TypedPiece = typeof BLANK;

/** What was typed, as it is sent; or what is wrong with it. */
function readPiece(typed: TypedPiece, currency: string): Read<TypedPiece, object> {
  const { job, worth, ...piece } = typed;
  const worthCents = isTyped(worth) ? parseMoneyIn(worth, currency) : null;
  const looked = {
    label: !isTyped(piece.label) && 'Type the module’s label.',
    job: isTyped(job) && !/^[1-9]\d{0,8}$/.test(job.trim()) && 'A job is its number, such as 12.',
    worth:
      isTyped(worth) &&
      (worthCents === null || worthCents <= 0) &&
      'Type what it is worth such as 9.50, or leave it to the rule.',
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
  const { save } = useSave();
  const typing = useTyped<TypedPiece, object>({
    from: BLANK,
    read: (typed) => readPiece(typed, currency),
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
  const hint = isTyped(label) ? (moduleOfLabel(label)?.line ?? 'Not understood as a module yet.') : undefined;
  return (
    <Sheet
      open
      title="A piece for the shelf"
      description="One module, on sale once: as soon as a quote promises it, no other can."
      onClose={onClose}
    >
      <Form typing={typing} className="grid grid-cols-2 gap-3" action="Put it on the shelf">
        <TextField
          name="label"
          label="Its label, typed or pasted"
          className="col-span-2"
          placeholder="Corrick 8GB 2Rx8 PC4-2400T DIMM"
          autoFocus
          hint={hint}
        />
        <ChoiceField name="test" label="Test" options={TESTS} />
        <ChoiceField name="grade" label="Grade" options={GRADES} />
        <TextField name="serial" label="Serial" maxLength={80} data-scan="serial" />
        <TextField name="job" label="From job" inputMode="numeric" />
        <TextField name="worth" label="Worth to us" unit={currency} inputMode="decimal" placeholder="by the rule" />
        <TextField name="note" label="Note" maxLength={200} />
      </Form>
    </Sheet>
  );
}
