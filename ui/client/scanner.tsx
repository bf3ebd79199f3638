'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useTranslations } from '#translations';
import { codeFor } from '@/core/reading/photo/code-text';
import { Notice } from '../kit/notice';
import { mayOpen, ScanWatch } from './scanned';
import { callOnce } from './session-guard';

/** What a field takes of a code: its part, its serial, or the code as it is. Its `data-scan` says which. */
type Wanted = 'part' | 'serial' | 'text';

type TextField = HTMLInputElement | HTMLTextAreaElement;

const isTextField = (element: Element | null): element is TextField =>
  element instanceof HTMLTextAreaElement ||
  (element instanceof HTMLInputElement && !['checkbox', 'radio', 'file', 'button', 'submit'].includes(element.type));

/** Writes into a field as typing does, so that the page hears of it. */
function write(field: TextField, text: string): void {
  const owner = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
  Object.getOwnPropertyDescriptor(owner.prototype, 'value')?.set?.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

/** Takes a code's signs out of the field that they were typed into. */
const without = (text: string, code: string): string => {
  const at = text.lastIndexOf(code);
  return at < 0 ? text : text.slice(0, at) + text.slice(at + code.length);
};

/**
 * Listens for keyboard-like scanners on every page of the staff: a code of the shop's own opens what it is of, wherever
 * one is; in a field for a part or a serial the code's own is written, and the scanner's Enter sends no half-filled form.
 */
export function Scanner() {
  const t = useTranslations('frame');
  const router = useRouter();
  const [unknown, setUnknown] = useState<string | null>(null);
  const watch = useRef(new ScanWatch());
  useEffect(() => {
    const open = async (code: string) => {
      const answer = await callOnce<{ path: string } | null>('POST', '/api/codes', { text: code });
      if (answer.ok && answer.value !== null) router.push(answer.value.path);
      else setUnknown(answer.ok ? t('unknownCode', { code }) : answer.sentence);
    };
    const hear = (event: KeyboardEvent) => {
      const code = watch.current.key(event.key, event.timeStamp);
      if (code === null) return;
      setUnknown(null);
      const field = isTextField(document.activeElement) ? document.activeElement : null;
      const wanted = field?.dataset.scan as Wanted | undefined;
      if (mayOpen(code) && (field === null || wanted !== undefined)) {
        event.preventDefault();
        if (field !== null) write(field, without(field.value, code));
        void open(code);
      } else if (field !== null && wanted !== undefined) {
        // Tab goes on to the next field, Enter would send the form.
        if (event.key === 'Enter') event.preventDefault();
        const rest = without(field.value, code);
        const said = wanted === 'text' ? code : codeFor(wanted, code);
        // A field for one thing holds the last one scanned.
        write(field, wanted === 'text' ? `${rest}${said}` : said);
      }
    };
    document.addEventListener('keydown', hear, true);
    return () => document.removeEventListener('keydown', hear, true);
  }, [router, t]);
  if (unknown === null) return null;
  return (
    <div className="px-5 pt-3">
      <Notice tone="mind" live>
        {unknown}
      </Notice>
    </div>
  );
}
