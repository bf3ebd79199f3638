'use client';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { Saved } from '../kit/form/saved';
import { useTyped } from '../kit/form/use-typed';

export interface Person {
  id: number;
  name: string;
  signIn: string;
  role: (typeof ROLES)[number];
}

const MAY = {
  owner: 'may.owner',
  technician: 'may.technician',
  counter: 'may.counter',
} as const;
const ROLES = ['owner', 'technician', 'counter'] as const;

type Typed = typeof EMPTY;
const EMPTY = { name: '', signIn: '', role: 'technician', password: '' };

/** Who works here and what they may; an owner adds and closes accounts. */
export function PeopleList({ people, self }: { people: readonly Person[]; self: number }) {
  const t = useTranslations('staff');
  const tFrame = useTranslations('frame');
  const { busy, sentence, save } = useSave();
  return (
    <div className="grid gap-6 lg:grid-cols-[1fr_22rem] items-start">
      <ul className="bg-sheet border border-line divide-y divide-line">
        {people.map((person) => (
          <li key={person.id} className="flex items-center gap-4 px-4 py-2.5">
            <span className="flex-1 min-w-0">
              <span className="block font-semibold">
                {person.name} <span className="font-normal text-ink-2">{t('username', { signIn: person.signIn })}</span>
              </span>
              <span className="text-sm text-ink-2">
                {tFrame(`roles.${person.role}`)}: {t(MAY[person.role])}
              </span>
            </span>
            {person.id !== self && (
              <Button
                weight="quiet"
                disabled={busy}
                onClick={() => save('DELETE', `/api/staff/${person.id}`)}
                aria-label={t('deactivateOf', { name: person.name })}
              >
                {t('deactivate')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <div className="grid gap-3">
        <Fault sentence={sentence} />
        <NewPerson />
      </div>
    </div>
  );
}

const noText = (text: string, sentence: string): string | false => text.trim() === '' && sentence;

/** An account for one more person. */
function NewPerson() {
  const t = useTranslations('staff');
  const tFrame = useTranslations('frame');
  const { save } = useSave();
  const typing = useTyped<Typed, Typed>({
    from: EMPTY,
    next: EMPTY,
    read: (typed) =>
      readTyped<Typed, Typed>(
        {
          name: noText(typed.name, t('faults.name')),
          signIn: noText(typed.signIn, t('faults.username')),
          password: typed.password.length < 10 && t('faults.password'),
        },
        () => typed,
      ),
    send: (body) => save('POST', '/api/staff', body),
  });
  return (
    <>
      <h2 className="text-base">{t('add')}</h2>
      <Form typing={typing}>
        <TextField name="name" label={t('name')} autoComplete="off" />
        <TextField name="signIn" label={t('signIn')} autoComplete="off" />
        <ChoiceField
          name="role"
          label={t('role')}
          options={ROLES.map((value) => ({ value, text: tFrame(`roles.${value}`) }))}
        />
        <TextField
          name="password"
          label={t('password')}
          type="password"
          autoComplete="new-password"
          hint={t('passwordHint')}
        />
        <Send>{t('create')}</Send>
      </Form>
      <Saved typing={typing}>{t('created')}</Saved>
    </>
  );
}
