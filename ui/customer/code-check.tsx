'use client';
import { useState } from 'react';
import { codeText, compareCode } from '@/core/quoting/content-code';
import { Field } from '../kit/field';

/** The code of this quote's content, and whether a paper is this very version. */
export function CodeCheck({ code, jsonPath }: { code: string; jsonPath: string }) {
  const [typed, setTyped] = useState('');
  const same = compareCode(typed, code);
  return (
    <details className="text-sm">
      <summary className="cursor-pointer min-h-9 flex items-center">Is my paper this quote?</summary>
      <div className="grid gap-2 pb-2 max-w-xl">
        <p>
          Every version has a code of its content (SHA-256), printed at the end of its PDF:{' '}
          <code className="break-words font-semibold">{codeText(code)}</code>
        </p>
        <Field
          label="The first letters of the code on your paper"
          value={typed}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => setTyped(event.target.value)}
        />
        <p role="status" className={`font-medium ${same === true ? 'text-good' : 'text-stop'}`}>
          {same === true && '✓ It is this quote, as it was sent.'}
          {same === false && '✕ It is not this one: it may be another version.'}
        </p>
        <p>
          <a href={jsonPath} className="underline underline-offset-4">
            The quote as data
          </a>
          : the code is made of this file.
        </p>
      </div>
    </details>
  );
}
