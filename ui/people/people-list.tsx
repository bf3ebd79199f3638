'use client';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';

export interface Person {
  id: number;
  name: string;
  signIn: string;
  role: string;
}

const ROLE_WORDS: Record<string, string> = {
  owner: 'everything, accounts too',
  technician: 'jobs, limits, prices',
  counter: 'jobs and quotes, not limits or prices',
};

type Typed = typeof EMPTY;
const EMPTY = { name: '', signIn: '', role: 'technician', password: '' };

/** Who works here and what they may; an owner adds and closes accounts. */
export function PeopleList({ people, self }: { people: readonly Person[]; self: number }) {
  const { busy, sentence, save } = useSave();
  return (
    <div className="grid gap-6 lg:grid-cols-[1fr_22rem] items-start">
      <ul className="bg-sheet border border-line divide-y divide-line">
        {people.map((person) => (
          <li key={person.id} className="flex items-center gap-4 px-4 py-2.5">
            <span className="flex-1 min-w-0">
              <span className="block font-semibold">
                {person.name} <span className="font-normal text-ink-2">signs in as {person.signIn}</span>
              </span>
              <span className="text-sm text-ink-2">
                {person.role}: {ROLE_WORDS[person.role]}
              </span>
            </span>
            {person.id !== self && (
              <Button
                weight="quiet"
                disabled={busy}
                onClick={() => save('DELETE', `/api/staff/${person.id}`)}
                aria-label={`Close the account of ${person.name}`}
              >
                Close the account
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
  const { save } = useSave();
  const typing = useTyped<Typed, Typed>({
    from: EMPTY,
    next: EMPTY,
    read: (typed) =>
      readTyped<Typed, Typed>(
        {
          name: noText(typed.name, 'Enter the name.'),
          signIn: noText(typed.signIn, 'Enter what they sign in as.'),
          password: typed.password.length < 10 && 'A password has at least 10 characters.',
        },
        () => typed,
      ),
    send: (body) => save('POST', '/api/staff', body),
  });
  return (
    <>
      <h2 className="text-base">Somebody new</h2>
      <Form typing={typing}>
        <TextField name="name" label="Name" autoComplete="off" />
        <TextField name="signIn" label="Signs in as" autoComplete="off" />
        <ChoiceField
          name="role"
          label="Role"
          options={Object.keys(ROLE_WORDS).map((role) => ({ value: role, text: role }))}
        />
        <TextField
          name="password"
          label="First password"
          type="password"
          autoComplete="new-password"
          hint="at least 10 characters"
        />
        <Send>Open the account</Send>
      </Form>
    </>
  );
}
