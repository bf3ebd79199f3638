'use client';
import { type FormEvent, useState } from 'react';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';

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

const EMPTY = { name: '', signIn: '', role: 'technician', password: '' };

/** Who works here and what they may; an owner adds and closes accounts. */
export function PeopleList({ people, self }: { people: readonly Person[]; self: number }) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState(EMPTY);
  const set = (field: keyof typeof EMPTY) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const result = await save('POST', '/api/staff', typed);
    if (result.ok) setTyped(EMPTY);
  };
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
      <form onSubmit={add} className="grid gap-3" autoComplete="off">
        <h2 className="text-base">Somebody new</h2>
        <Field label="Name" value={typed.name} onChange={set('name')} />
        <Field label="Signs in as" value={typed.signIn} onChange={set('signIn')} autoComplete="off" />
        <Choice
          label="Role"
          value={typed.role}
          onChange={set('role')}
          options={Object.keys(ROLE_WORDS).map((role) => ({ value: role, text: role }))}
        />
        <Field
          label="First password"
          type="password"
          value={typed.password}
          onChange={set('password')}
          autoComplete="new-password"
          hint="at least 10 characters"
        />
        <Fault sentence={sentence} />
        <Button weight="act" type="submit" disabled={busy}>
          Open the account
        </Button>
      </form>
    </div>
  );
}
