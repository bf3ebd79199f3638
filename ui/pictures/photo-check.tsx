'use client';
import { useId, useMemo, useState } from 'react';
import { useTranslations } from '#translations';
import { readListing } from '@/core/reading/listing/listing';
import { isModuleLabel, likelySpellings, type PhotoWord } from '@/core/reading/photo/photo-words';
import type { SaidKind } from '@/core/reading/read';
import type { PictureView } from '@/service/job/intake/view';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { CodeLinks } from './code-links';
import { LabelledMachine } from './labelled-machine';
import { NO_ANSWERS, textOfPhoto, withCode, withWord } from './photo-answers';

interface PhotoCheckProps {
  jobId: number;
  picture: PictureView & { words: NonNullable<PictureView['words']> };
  busy: boolean;
  sentence: string | null;
  onRead: (text: string, as?: SaidKind) => void;
  /** nothing of its words is wanted: it stays as a picture */
  onLeave: () => void;
  /** the machine was told by it */
  onMachine?: (serial: string | null) => void;
}

const percent = (share: number): string => `${(share * 100).toFixed(2)}%`;

/** One word that the picture does not show surely: what it may be, to choose from or to type. */
function Doubt({
  word,
  nr,
  said,
  onSay,
}: {
  word: PhotoWord;
  nr: number;
  said: string | null;
  onSay: (text: string) => void;
}) {
  const t = useTranslations('intake');
  const spellings = useMemo(() => likelySpellings(word.text), [word.text]);
  return (
    <fieldset className="border-l-4 border-stop pl-3">
      <legend className="text-sm text-ink-2">
        {t.rich('photo.what', {
          nr,
          value: () => said !== null && said !== '' && <span className="text-ink"> {said} ✓</span>,
        })}
      </legend>
      <div className="flex flex-wrap items-center gap-2 mt-1">
        {spellings.map((spelling) => (
          <Button key={spelling} aria-pressed={said === spelling} onClick={() => onSay(spelling)}>
            <span className="font-mono">{spelling}</span>
          </Button>
        ))}
        <input
          aria-label={t('photo.word', { nr })}
          placeholder={t('photo.type')}
          maxLength={80}
          spellCheck={false}
          className="bg-sheet border border-edge rounded-notch px-2 py-1 w-40 font-mono"
          onChange={(event) => onSay(event.target.value)}
        />
      </div>
    </fieldset>
  );
}

/** The picture with its words marked; those that are asked have numbers. */
function MarkedPicture({
  jobId,
  picture,
  doubts,
}: Pick<PhotoCheckProps, 'jobId' | 'picture'> & { doubts: PhotoWord[] }) {
  const t = useTranslations('intake');
  const { id, name, width, height, words } = picture;
  return (
    <div className="relative w-fit max-w-full">
      {/* biome-ignore lint/performance/noImgElement: it comes from our own database as it is */}
      <img
        src={`/api/jobs/${jobId}/pictures/${id}`}
        alt={t('photo.alt', { name })}
        width={width}
        height={height}
        className="max-h-[70vh] w-auto block rounded-notch"
      />
      {words.lines.flat().map((word, at) => {
        const nr = doubts.indexOf(word) + 1;
        return (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: words of a picture never change places
            key={at}
            aria-hidden="true"
            style={{
              left: percent(word.left),
              top: percent(word.top),
              width: percent(word.width),
              height: percent(word.height),
            }}
            className={`absolute border-2 ${nr > 0 ? 'border-stop' : 'border-act/60'}`}
          >
            {nr > 0 && (
              <span className="absolute right-full top-0 mr-1 bg-stop text-sheet text-xs font-semibold leading-4 px-1">
                {nr}
              </span>
            )}
          </span>
        );
      })}
      {words.codes.map(({ text, left, top, width: wide, height: high }) => (
        <span
          key={text}
          aria-hidden="true"
          style={{
            left: percent(left),
            top: percent(top),
            width: percent(wide),
            height: percent(Math.max(high, 0.01)),
          }}
          className="absolute border-2 border-good"
        />
      ))}
    </div>
  );
}

/** What a code says that names nothing: a person says which it is. */
function UnnamedCode({ code, said, onSay }: { code: string; said: string | null; onSay: (as: string) => void }) {
  const t = useTranslations('intake');
  return (
    <fieldset className="border-l-4 border-line pl-3">
      <legend className="text-sm text-ink-2">
        {t.rich('photo.code', { e0: () => <span className="font-mono text-ink">{code}</span> })}
      </legend>
      <div className="flex flex-wrap gap-2 mt-1">
        {(
          [
            ['P/N', t('photo.part')],
            ['S/N', t('photo.isSerial')],
            ['', t('photo.neither')],
          ] as const
        ).map(([as, text]) => (
          <Button key={as} aria-pressed={said === as} onClick={() => onSay(as)}>
            {text}
          </Button>
        ))}
      </div>
    </fieldset>
  );
}

/** What was read off a photograph, beside it: doubtful words are asked, and nothing is read before they are answered. */
export function PhotoCheck({ jobId, picture, busy, sentence, onRead, onLeave, onMachine }: PhotoCheckProps) {
  const t = useTranslations('intake');
  const { lines, unnamed, codes } = picture.words;
  const doubts = useMemo(() => lines.flat().filter(({ sure }) => !sure), [lines]);
  const [answers, setAnswers] = useState(NO_ANSWERS);
  const { said, named } = answers;
  const open = doubts.filter((word) => (said.get(word) ?? '').trim() === '').length;
  const text = textOfPhoto(picture.words, answers);
  // A label as JEDEC has it printed is on modules alone.
  const isLabel = text.split(/\s+/).some(isModuleLabel);
  const serial = useMemo(() => readListing(text).module.serial, [text]);
  // A serial that is still asked about is nobody's yet.
  const isAsked = doubts.some((word) => !said.has(word) && serial !== null && word.text.includes(serial));
  const sureSerial = isAsked ? null : serial;
  return (
    <section
      aria-label={t('photo.label')}
      className="mt-2 border-t border-line pt-3 grid gap-3 md:grid-cols-2 items-start"
    >
      <MarkedPicture jobId={jobId} picture={picture} doubts={doubts} />
      <div className="grid gap-3">
        <CodeLinks codes={codes.map((code) => code.text)} />
        {doubts.map((word, at) => (
          <Doubt
            // biome-ignore lint/suspicious/noArrayIndexKey: words of a picture never change places
            key={at}
            word={word}
            nr={at + 1}
            said={said.get(word) ?? null}
            onSay={(answer) => setAnswers(withWord(answers, word, answer))}
          />
        ))}
        {onMachine !== undefined && (
          <LabelledMachine jobId={jobId} text={text} serial={sureSerial} onTaken={() => onMachine(sureSerial)} />
        )}
        {unnamed.map((code) => (
          <UnnamedCode
            key={code}
            code={code}
            said={named[code] ?? null}
            onSay={(as) => setAnswers(withCode(answers, code, as))}
          />
        ))}
        <Words text={text} onType={(typed) => setAnswers({ ...answers, typed })} />
        <Acts
          isLabel={isLabel}
          busy={busy}
          text={text}
          open={open}
          onRead={onRead}
          onRight={() => {
            const asShown = doubts.map((word) => [word, said.get(word)?.trim() || word.text] as const);
            setAnswers({ ...answers, said: new Map(asShown) });
          }}
          onLeave={onLeave}
        />
        <Fault sentence={sentence} />
      </div>
    </section>
  );
}

interface ActsProps {
  isLabel: boolean;
  busy: boolean;
  text: string;
  open: number;
  onRead: PhotoCheckProps['onRead'];
  onRight: () => void;
  onLeave: () => void;
}

/** What becomes of the words; those that are not sure are asked first. */
function Acts({ isLabel, busy, text, open, onRead, onRight, onLeave }: ActsProps) {
  const t = useTranslations('intake');
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button
        weight="act"
        disabled={busy || text.trim() === '' || open > 0}
        onClick={() => (isLabel ? onRead(text, 'listing') : onRead(text))}
      >
        {isLabel ? t('photo.isModule') : t('photo.read')}
      </Button>
      {isLabel && (
        <Button disabled={busy || open > 0} onClick={() => onRead(text)}>
          {t('photo.other')}
        </Button>
      )}
      {open > 0 && (
        <Button disabled={busy} onClick={onRight}>
          {t('photo.right')}
        </Button>
      )}
      <Button disabled={busy} onClick={onLeave}>
        {t('photo.keep')}
      </Button>
      {open > 0 && <span className="text-sm text-ink-2">{t('photo.unsure', { open })}</span>}
    </div>
  );
}

/** All words, to be put right by hand. */
function Words({ text, onType }: { text: string; onType: (text: string) => void }) {
  const t = useTranslations('intake');
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
        {t('photo.words')}
      </label>
      <textarea
        id={id}
        value={text}
        rows={Math.min(12, Math.max(3, text.split('\n').length + 1))}
        spellCheck={false}
        onChange={(event) => onType(event.target.value)}
        className="w-full bg-ground border border-edge rounded-notch px-3 py-2 font-mono text-sm"
      />
    </div>
  );
}
