'use client';
import { useState } from 'react';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { FileButton } from '../kit/file-button';

type Paper = 'A4' | 'Letter';
const PAPER_WORDS: Record<Paper, string> = { A4: 'A4 (210 × 297 mm)', Letter: 'Letter (8.5 × 11 in)' };

/** Larger ones are not even sent. */
const MOST_BYTES = 1_000_000;

interface PapersProps {
  language: Language;
  paper: Paper;
  /** whom mail comes from; empty: the shop sends none */
  mailFrom: string;
  /** customers are reminded so many days before a quote's last; 0: never */
  remindDays: number;
  hasLogo: boolean;
}

/** What customers' papers are usually written in and printed on, and the shop's mark on them. */
export function Papers({ language, paper, mailFrom, remindDays, hasLogo }: PapersProps) {
  const { busy, sentence, save } = useSave();
  const [wrong, setWrong] = useState<string | null>(null);
  const [shown, setShown] = useState(0);
  const [from, setFrom] = useState(mailFrom);
  const [days, setDays] = useState(String(remindDays));
  const keep = (patch: Partial<Omit<PapersProps, 'hasLogo'>>) =>
    void save('PUT', '/api/papers', { language, paper, mailFrom, remindDays, ...patch });
  const keepMail = () => {
    const isDays = /^\d{1,2}$/.test(days.trim());
    setWrong(isDays ? null : 'Type the days as a number, such as 3; 0 reminds nobody.');
    if (isDays && (from.trim() !== mailFrom || Number(days) !== remindDays))
      keep({ mailFrom: from.trim(), remindDays: Number(days) });
  };
  const takeLogo = async (file: File) => {
    const isLarge = file.size > MOST_BYTES;
    setWrong(isLarge ? 'The file has more than 1 MB: save the logo smaller.' : null);
    if (!isLarge && (await save('PUT', '/api/logo', file)).ok) setShown(shown + 1);
  };
  return (
    <section id="papers" aria-label="Customers’ papers" className="grid gap-2">
      <h2 className="text-base border-b-4 border-edge pb-1">Customers’ papers</h2>
      <div className="flex flex-wrap gap-4 items-end">
        <label className="text-sm font-medium text-ink-2 grid gap-0.5 w-48">
          Usually in
          <select
            className={INPUT_LOOK}
            value={language}
            disabled={busy}
            onChange={(event) => keep({ language: event.target.value as Language })}
          >
            {LANGUAGES.map((one) => (
              <option key={one} value={one}>
                {LANGUAGE_NAMES[one]}
              </option>
            ))}
          </select>
        </label>
        <label className="text-sm font-medium text-ink-2 grid gap-0.5 w-52">
          On
          <select
            className={INPUT_LOOK}
            value={paper}
            disabled={busy}
            onChange={(event) => keep({ paper: event.target.value as Paper })}
          >
            {(Object.keys(PAPER_WORDS) as Paper[]).map((one) => (
              <option key={one} value={one}>
                {PAPER_WORDS[one]}
              </option>
            ))}
          </select>
        </label>
        <div className="flex items-center gap-3">
          {hasLogo && (
            // biome-ignore lint/performance/noImgElement: the shop's own file, as it is
            <img
              src={`/api/logo?${shown}`}
              alt="The logo on our papers"
              className="h-11 max-w-40 object-contain bg-white p-1"
            />
          )}
          <FileButton
            fileLabel="Logo, a PNG or JPEG file"
            accept="image/png,image/jpeg"
            onFiles={([file]) => void takeLogo(file)}
          >
            {hasLogo ? 'Another logo' : 'Put a logo on them'}
          </FileButton>
          {hasLogo && (
            <Button weight="quiet" disabled={busy} onClick={() => void save('DELETE', '/api/logo')}>
              Take it off
            </Button>
          )}
        </div>
      </div>
      <form
        className="flex flex-wrap gap-4 items-end"
        onSubmit={(event) => {
          event.preventDefault();
          keepMail();
        }}
      >
        <Field
          label="Mail comes from"
          type="email"
          placeholder="no mail is sent"
          className="w-80"
          value={from}
          onChange={(event) => setFrom(event.target.value)}
        />
        <Field
          label="and reminds before a quote’s last day"
          unit="days"
          inputMode="numeric"
          className="w-64"
          value={days}
          onChange={(event) => setDays(event.target.value)}
        />
        <Button type="submit" disabled={busy}>
          Keep it
        </Button>
      </form>
      <Fault sentence={wrong ?? sentence} />
    </section>
  );
}
