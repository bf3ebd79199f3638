'use client';
import { useState } from 'react';
import { codeText, compareCode } from '@/core/quoting/content-code';
import type { Language } from '@/core/quoting/words/language';
import { PAPER_WORDS } from '@/core/quoting/words/paper-words';
import { Field } from '../kit/field';

interface CodeCheckProps {
  code: string;
  jsonPath: string;
  language: Language;
}

/** The code of this quote's content, and whether a paper is this very version. */
export function CodeCheck({ code, jsonPath, language }: CodeCheckProps) {
  const [typed, setTyped] = useState('');
  const same = compareCode(typed, code);
  const { page } = PAPER_WORDS[language];
  return (
    <details className="text-sm">
      <summary className="cursor-pointer min-h-9 flex items-center">{page.isMyPaper}</summary>
      <div className="grid gap-2 pb-2 max-w-xl">
        <p>
          {page.everyVersion} <code className="break-words font-semibold">{codeText(code)}</code>
        </p>
        <Field
          label={page.firstLetters}
          value={typed}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => setTyped(event.target.value)}
        />
        <p role="status" className={`font-medium ${same === true ? 'text-good' : 'text-stop'}`}>
          {same === true && `✓ ${page.isThis}`}
          {same === false && `✕ ${page.isOther}`}
        </p>
        <p>
          <a href={jsonPath} className="underline underline-offset-4">
            {page.asData}
          </a>
          : {page.madeOfFile}
        </p>
      </div>
    </details>
  );
}
