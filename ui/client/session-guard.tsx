'use client';
import {
  createContext,
  type FormEvent,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useRef,
  useState,
} from 'react';
import { useTranslations } from '#translations';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { usePageNonce } from '../kit/use-page-nonce';
import { untilQuiet, watchTyping } from './until-quiet';

/** A refusal may name the value that it is about, and tell what somebody else wrote meanwhile by the names of what had to be written. */
export type Called<T> =
  | { ok: true; value: T }
  | { ok: false; code: string; sentence: string; at?: string; theirs?: Record<string, unknown> };
type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
export type Call = <T, Progress = never>(
  method: Method,
  path: string,
  body?: unknown,
  /** hears how far work is that takes its time */
  onProgress?: (progress: Progress) => void,
) => Promise<Called<T>>;

/** What is said where the server does not answer; the page that is open says it in its language. */
const NO_ANSWER = { ok: false, code: 'away', sentence: '' } satisfies Called<never>;

/** What is sent: a file as it is, with its name; several as a form; anything else as JSON. */
function sent(body: unknown): RequestInit {
  if (body === undefined) return {};
  if (body instanceof File) {
    const headers = { 'content-type': 'application/octet-stream', 'x-file-name': encodeURIComponent(body.name) };
    return { headers, body };
  }
  if (body instanceof FormData) return { body };
  return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
}

const LINES = 'application/x-ndjson';

/** What comes line by line: how far the work is, at last what came of it. */
async function calledByLines<T, Progress>(
  body: ReadableStream<Uint8Array>,
  onProgress: (progress: Progress) => void,
): Promise<Called<T>> {
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return NO_ANSWER;
    const lines = (rest + value).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) {
      const told = JSON.parse(line);
      if ('progress' in told) onProgress(told.progress);
      else if ('value' in told) return { ok: true, value: told.value };
      else return { ok: false, code: String(told.fault.code), sentence: String(told.fault.sentence) };
    }
  }
}

/** Sends one request and nothing more: for what is asked in passing, which must not ask anybody to sign in. */
export async function callOnce<T, Progress = never>(
  method: Method,
  path: string,
  body?: unknown,
  onProgress?: (progress: Progress) => void,
): Promise<Called<T>> {
  try {
    const init = sent(body);
    const headers = { ...init.headers, ...(onProgress !== undefined && { accept: LINES }) };
    const response = await fetch(path, { method, ...init, headers });
    const isByLines = response.headers.get('content-type')?.startsWith(LINES) ?? false;
    if (onProgress !== undefined && isByLines && response.body !== null)
      return await calledByLines<T, Progress>(response.body, onProgress);
    const json = await response.json();
    if (response.ok) return { ok: true, value: json };
    const told = {
      code: String(json.code),
      sentence: String(json.sentence),
      ...(typeof json.at === 'string' && { at: json.at }),
    };
    return { ok: false, ...told, ...(typeof json.theirs === 'object' && { theirs: json.theirs }) };
  } catch {
    return NO_ANSWER;
  }
}

const CallContext = createContext<Call>(() => Promise.resolve(NO_ANSWER));

/** Sends a change to the server; when the session has ended, asks to sign in over the page and sends it again. */
export const useCall = (): Call => useContext(CallContext);

/**
 * Keeps a page usable when the session ends in the middle of typing: the page stays as it is under a sign-in sheet,
 * and what had to be saved is saved after it.
 */
export function SessionGuard({ signIn, children }: { signIn: string; children: ReactNode }) {
  const t = useTranslations('frame');
  usePageNonce();
  useEffect(watchTyping, []);
  useEffect(() => {
    NO_ANSWER.sentence = t('noAnswer');
  }, [t]);
  const [asking, setAsking] = useState(false);
  const waiting = useRef<((signedIn: boolean) => void)[]>([]);

  // Counts the sign-ins on this page, so that an answer to a request from before one does not ask for another.
  const signIns = useRef(0);

  const settle = useCallback((signedIn: boolean) => {
    if (signedIn) signIns.current++;
    setAsking(false);
    for (const wake of waiting.current.splice(0)) wake(signedIn);
  }, []);

  const call: Call = useCallback(async <T, Progress>(...asked: Parameters<typeof callOnce<T, Progress>>) => {
    for (;;) {
      const before = signIns.current;
      const result = await callOnce<T, Progress>(...asked);
      if (result.ok || result.code !== 'signed-out') return result;
      // Anyone who is typing types on: the sheet would take the rest of the word.
      await untilQuiet();
      if (signIns.current !== before) continue;
      setAsking(true);
      const signedIn = await new Promise<boolean>((resolve) => {
        waiting.current.push(resolve);
      });
      if (!signedIn) return result;
    }
  }, []);

  return (
    <CallContext value={call}>
      {children}
      <Sheet title={t('sessionEnded')} description={t('sessionEndedWhy')} open={asking} onClose={() => settle(false)}>
        <SignInForm name={signIn} onDone={() => settle(true)} />
      </Sheet>
    </CallContext>
  );
}

function SignInForm({ name: known, onDone }: { name: string; onDone: () => void }) {
  const t = useTranslations('frame');
  const [name, setName] = useState(known);
  const [password, setPassword] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const answer = await callOnce('POST', '/api/sign-in', { name, password });
    if (answer.ok) onDone();
    else setWrong(answer.sentence);
  };
  return (
    <form onSubmit={submit} className="grid gap-3">
      <Field
        label={t('username')}
        value={name}
        onChange={(event) => setName(event.target.value)}
        autoComplete="username"
      />
      <Field
        label={t('password')}
        type="password"
        value={password}
        onChange={(event) => setPassword(event.target.value)}
        autoComplete="current-password"
      />
      <Fault sentence={wrong} />
      <Button weight="act" type="submit">
        {t('signInAgain')}
      </Button>
    </form>
  );
}
