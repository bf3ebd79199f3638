'use client';
import { useEffect, useId, useMemo, useState } from 'react';
import { isDoubtful, likelySpellings, type PhotoLines, type PhotoWord, photoText } from '@/core/reading/photo-words';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';

/** A photograph with the words that were read off it. */
export interface ReadPhoto {
  file: File;
  lines: PhotoLines;
  /** by how much it was turned to read it, degrees clockwise */
  turned: number;
}

interface PhotoCheckProps {
  photo: ReadPhoto;
  busy: boolean;
  sentence: string | null;
  onRead: (text: string) => void;
  onCancel: () => void;
}

/** The picture's address within the page, as data: the page's policy allows no others. */
function usePicture(file: File): string | null {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    const reader = new FileReader();
    reader.onload = () => setAddress(typeof reader.result === 'string' ? reader.result : null);
    reader.readAsDataURL(file);
    return () => reader.abort();
  }, [file]);
  return address;
}

/** Where a word stands on the picture as it lies, in percent: the words were read from the turned one. */
function placeOf(
  { left, top, width, height }: PhotoWord,
  turned: number,
): Record<'left' | 'top' | 'width' | 'height', string> {
  const box =
    turned === 90
      ? { left: top, top: 1 - left - width, width: height, height: width }
      : turned === 180
        ? { left: 1 - left - width, top: 1 - top - height, width, height }
        : turned === 270
          ? { left: 1 - top - height, top: left, width: height, height: width }
          : { left, top, width, height };
  const percent = (share: number): string => `${(share * 100).toFixed(2)}%`;
  return { left: percent(box.left), top: percent(box.top), width: percent(box.width), height: percent(box.height) };
}

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
  const spellings = useMemo(() => likelySpellings(word.text), [word.text]);
  return (
    <fieldset className="border-l-4 border-line pl-3">
      <legend className="text-sm text-ink-2">
        {nr}. Which is it?{said !== null && <span className="text-ink"> {said} ✓</span>}
      </legend>
      <div className="flex flex-wrap items-center gap-2 mt-1">
        {spellings.map((spelling) => (
          <Button key={spelling} aria-pressed={said === spelling} onClick={() => onSay(spelling)}>
            <span className="font-mono">{spelling}</span>
          </Button>
        ))}
        <input
          aria-label={`Word ${nr}, typed`}
          placeholder="or type it"
          maxLength={80}
          className="bg-sheet border border-edge rounded-notch px-2 py-1 w-36"
          onChange={(event) => onSay(event.target.value)}
        />
      </div>
    </fieldset>
  );
}

/** What was read off a photograph, beside it: doubtful words are asked, and nothing is read before they are answered. */
export function PhotoCheck({ photo, busy, sentence, onRead, onCancel }: PhotoCheckProps) {
  const { file, lines, turned } = photo;
  const id = useId();
  const address = usePicture(file);
  const doubts = useMemo(() => lines.flat().filter(isDoubtful), [lines]);
  const [said, setSaid] = useState<ReadonlyMap<PhotoWord, string>>(new Map());
  const [typed, setTyped] = useState<string | null>(null);
  const open = doubts.filter((word) => (said.get(word) ?? '').trim() === '').length;
  const text = typed ?? photoText(lines, said);
  return (
    <section aria-label="Photograph" className="mt-2 border-t border-line pt-3 grid gap-3 md:grid-cols-2 items-start">
      <div className="relative">
        {address !== null && (
          // biome-ignore lint/performance/noImgElement: the picture is the person's own file, at hand already
          <img src={address} alt={`What was photographed: ${file.name}`} className="w-full block rounded-notch" />
        )}
        {lines.flat().map((word, at) => {
          const nr = doubts.indexOf(word) + 1;
          return (
            <span
              // biome-ignore lint/suspicious/noArrayIndexKey: words of a picture never change places
              key={at}
              aria-hidden="true"
              style={placeOf(word, turned)}
              className={`absolute border-2 ${nr > 0 ? 'border-stop' : 'border-act/60'}`}
            >
              {nr > 0 && <span className="absolute -top-5 left-0 bg-stop text-sheet text-xs px-1">{nr}</span>}
            </span>
          );
        })}
      </div>
      <div className="grid gap-3">
        {doubts.map((word, at) => (
          <Doubt
            // biome-ignore lint/suspicious/noArrayIndexKey: words of a picture never change places
            key={at}
            word={word}
            nr={at + 1}
            said={said.get(word) ?? null}
            onSay={(answer) => {
              setTyped(null);
              setSaid(new Map(said).set(word, answer));
            }}
          />
        ))}
        <div>
          <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
            Words on the photograph
          </label>
          <textarea
            id={id}
            value={text}
            rows={Math.min(12, Math.max(3, lines.length + 1))}
            spellCheck={false}
            onChange={(event) => setTyped(event.target.value)}
            className="w-full bg-ground border border-edge rounded-notch px-3 py-2 font-mono text-sm"
          />
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <Button
            weight="act"
            disabled={busy || text.trim() === '' || (open > 0 && typed === null)}
            onClick={() => onRead(text)}
          >
            Read the words
          </Button>
          <Button onClick={onCancel}>Cancel</Button>
          {open > 0 && typed === null && (
            <span className="text-sm text-ink-2">
              {open === 1 ? '1 word is not sure yet.' : `${open} words are not sure yet.`}
            </span>
          )}
        </div>
        <Fault sentence={sentence} />
      </div>
    </section>
  );
}
