import type { NextRequest } from 'next/server';
import type { z } from 'zod';
import { MOST_JSON_BYTES } from '@/runtime/body-limits';
import { databaseFault } from '@/runtime/database-faults';
import { withinBounds } from '@/runtime/json-bounds';
import { log } from '@/runtime/log';
import { REQUEST_ID } from '@/runtime/request-headers';
import { done, type Fault, type FaultCode, fault, type Result } from '@/service/result';
import type { Caller, Right } from '@/service/staff/access';
import { screenLanguage } from '@/ui/words/on-the-server';
import { boundedText } from './bounded-text';
import { enter } from './enter';
import { saidHere } from './said-here';
import { readParts, readWhole, type SentParts, sentName, type WholeFile } from './sent-files';
import { parseStorable } from './storable';

const STATUS: Record<FaultCode, number> = {
  'signed-out': 401,
  forbidden: 403,
  'not-found': 404,
  'bad-input': 422,
  conflict: 409,
  'too-many': 429,
  busy: 503,
};

/** Anyone who is told to wait is told how long, seconds. */
const RETRY_AFTER_S: Partial<Record<FaultCode, string>> = { 'too-many': '10', busy: '5' };

/** What was done may be told in sentences, too: each `sentence` of an answer, or of the rows that it is made of. */
function wordedValue(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(wordedValue);
  const sentence = (value as { sentence?: unknown } | null | undefined)?.sentence;
  return typeof sentence === 'string' ? { ...(value as object), sentence: saidHere(sentence) } : value;
}

/** A fault as it is told. */
const wordedFault = ({ code, sentence, at, theirs }: Fault) => ({
  code,
  sentence: saidHere(sentence),
  ...(at !== undefined && { at }),
  ...(theirs !== undefined && { theirs }),
});

export function answer<T>(result: Result<T>, status = 200): Response {
  if (result.ok) return Response.json(wordedValue(result.value), { status });
  const wait = RETRY_AFTER_S[result.code];
  return Response.json(wordedFault(result), {
    status: STATUS[result.code],
    headers: wait === undefined ? {} : { 'retry-after': wait },
  });
}

/** A write that another site's page makes a browser send is refused. */
export function fromElsewhere(request: NextRequest): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site !== null) return site !== 'same-origin' && site !== 'none';
  const origin = request.headers.get('origin');
  if (origin === null) return false;
  return !URL.canParse(origin) || new URL(origin).host !== request.headers.get('host');
}

/** The JSON body as the schema wants it, or one sentence on what is wrong. */
export async function parseBody<Schema extends z.ZodType>(
  request: NextRequest,
  schema: Schema,
  mostBytes = MOST_JSON_BYTES,
): Promise<Result<z.infer<Schema>>> {
  const text = await boundedText(request, mostBytes);
  if (text === null) return fault('bad-input', 'This is too large to be read.');
  if (text !== '' && !isJson(request)) return fault('bad-input', 'Send this as application/json.');
  if (!withinBounds(text)) return fault('bad-input', 'This has too many parts to be read.');
  let json: unknown = null;
  try {
    json = text === '' ? null : parseStorable(text);
  } catch {
    return fault('bad-input', 'The request is no JSON.');
  }
  const parsed = schema.safeParse(json);
  if (parsed.success) return { ok: true, value: parsed.data };
  const [issue] = parsed.error.issues;
  const at = issue?.path.join('.') ?? '';
  return {
    ...fault('bad-input', issue?.message ?? 'Something in it is not right.'),
    ...(at !== '' && { at: at.slice(0, MOST_AT) }),
  };
}

/** The names in what was sent may be long: what is told of them is not. */
const MOST_AT = 100;

/** Only what says that it is JSON is taken as such: another site's form cannot say so. */
function isJson(request: NextRequest): boolean {
  return /^application\/json\s*(;|$)/i.test(request.headers.get('content-type') ?? '');
}

/** SQLSTATE of values that a check or a type of the schema does not take: the last edge, behind our own. */
const OUT_OF_BOUNDS = /^(22003|22008|22P02|23514)$/;

const FAULT_WORDS = {
  away: 'The database does not answer just now. What you typed is still here: try again.',
  full: 'The database’s disk is full, so nothing was saved. What you typed is still here: free some room, then try again.',
} as const;

/** The answer to a request whose work threw: the database was away or full, a value is out of bounds, or it is a bug of ours. */
export function caught(cause: unknown, request: NextRequest): Response {
  const id = request.headers.get(REQUEST_ID) ?? crypto.randomUUID();
  log.error({ err: cause, requestId: id, path: request.nextUrl.pathname }, 'request failed');
  const failed = databaseFault(cause);
  if (failed !== null) return answer(fault('busy', FAULT_WORDS[failed]));
  const code = String((cause as { code?: unknown } | null)?.code ?? '');
  if (OUT_OF_BOUNDS.test(code))
    return answer(fault('bad-input', 'A value in it is out of bounds, so nothing was saved.'));
  return Response.json(
    {
      code: 'broken',
      sentence: saidHere(`Something broke on our side (request ${id}). What you typed is still here: try again.`),
    },
    { status: 500 },
  );
}

/** A file of ours that is handed out to keep; null: there is none. */
export function fileAnswer(file: { name: string; bytes: Buffer } | null, type: string): Result<never> | Response {
  if (file === null) return fault('not-found', 'There is no such file.');
  return new Response(new Uint8Array(file.bytes), {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${file.name}"`,
      'cache-control': 'no-store',
    },
  });
}

type Params = Record<string, string>;
/** What a handler does for anyone who may: its caller has the right that was asked for. */
type Work<Asked extends Right, Body> = (
  caller: Caller<Asked>,
  body: Body,
  params: Params,
  request: NextRequest,
) => Promise<Result<unknown> | Response>;

/** A route handler that reads what was sent in its own way; who calls is checked before the first byte is read. */
function handleSent<Asked extends Right, Sent>(
  right: Asked,
  read: (request: NextRequest) => Promise<Result<Sent>> | Result<Sent>,
  work: Work<NoInfer<Asked>, Sent>,
  onlyWatches = false,
) {
  return async (request: NextRequest, context: { params: Promise<Params> }): Promise<Response> => {
    try {
      await screenLanguage();
      const entered = await enter(right, onlyWatches);
      if (!entered.ok) return answer(entered);
      if (request.method !== 'GET' && fromElsewhere(request))
        return answer(fault('forbidden', 'This came from another site.'));
      const sent = await read(request);
      if (!sent.ok) return answer(sent);
      const result = await work(entered.caller, sent.value, await context.params, request);
      return result instanceof Response ? result : answer(result);
    } catch (cause) {
      return caught(cause, request);
    }
  };
}

/**
 * A route handler: checks who calls and whether they may, parses the body, does the work, and turns what comes
 * back into an answer.
 */
export function handle<Asked extends Right, Schema extends z.ZodType>(
  right: Asked,
  schema: Schema,
  work: Work<NoInfer<Asked>, z.infer<Schema>>,
) {
  return handleSent<Asked, z.infer<Schema>>(right, (request) => parseBody(request, schema), work);
}

/** A route handler for what an open page asks on its own, now and then: that keeps no session going. */
export function handleWatch<Asked extends Right>(right: Asked, work: Work<NoInfer<Asked>, null>) {
  return handleSent<Asked, null>(right, () => done(null), work, true);
}

const nothing = async function* (): AsyncGenerator<Uint8Array> {};

/** A file that is sent as it is, piece by piece, with the name it had. */
export interface SentFile {
  name: string;
  input: AsyncIterable<Uint8Array>;
}

/** A route handler that takes a file as its body, of any length: it is for the work to read it on, or not. */
export const handleFile = <Asked extends Right>(right: Asked, work: Work<NoInfer<Asked>, SentFile>) =>
  handleSent(
    right,
    (request) =>
      done({ name: sentName(request), input: (request.body as AsyncIterable<Uint8Array> | null) ?? nothing() }),
    work,
  );

/** A route handler that takes one file as its body and works on it whole. */
export const handleWhole = <Asked extends Right>(
  right: Asked,
  mostBytes: number,
  work: Work<NoInfer<Asked>, WholeFile>,
) => handleSent(right, (request) => readWhole(request, mostBytes), work);

/** A file that is sent whole, with what its address asks. */
export interface AskedFile extends WholeFile {
  query: URLSearchParams;
}

/**
 * A route handler that takes one file as its body and works on it for seconds: anyone who accepts `application/x-ndjson` is
 * told line by line how far it is, `{"progress": …}`, at last `{"value": …}` or `{"fault": …}`; anybody else has the plain
 * answer at the end.
 */
export function handleTold<Progress, Asked extends Right>(
  right: Asked,
  mostBytes: number,
  work: (
    caller: Caller<NoInfer<Asked>>,
    file: AskedFile,
    params: Params,
    tell: (progress: Progress) => void,
  ) => Promise<Result<unknown>>,
) {
  return handleSent<Asked, AskedFile>(
    right,
    async (request) => {
      const sent = await readWhole(request, mostBytes);
      return sent.ok ? done({ ...sent.value, query: request.nextUrl.searchParams }) : sent;
    },
    async (caller, file, params, request) =>
      (request.headers.get('accept') ?? '').includes(LINES)
        ? linesAnswer<Progress>(request, (tell) => work(caller, file, params, tell))
        : work(caller, file, params, () => {}),
  );
}

/** Newline-delimited JSON. */
const LINES = 'application/x-ndjson';

function linesAnswer<Progress>(
  request: NextRequest,
  work: (tell: (progress: Progress) => void) => Promise<Result<unknown>>,
): Response {
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    start: async (controller) => {
      // Anyone who has gone meanwhile hears nothing more; the work goes on to its end.
      const say = (line: object): void => {
        try {
          controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
        } catch {}
      };
      try {
        const result = await work((progress) => say({ progress }));
        say(result.ok ? { value: wordedValue(result.value) } : { fault: wordedFault(result) });
      } catch (cause) {
        say({ fault: await caught(cause, request).json() });
      }
      try {
        controller.close();
      } catch {}
    },
  });
  return new Response(stream, {
    headers: { 'content-type': LINES, 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' },
  });
}

/** A route handler that takes files and fields as a form. */
export const handleParts = <Asked extends Right>(
  right: Asked,
  mostBytes: number,
  work: Work<NoInfer<Asked>, SentParts>,
) => handleSent(right, (request) => readParts(request, mostBytes), work);

/** A path parameter that is an id; 0, which nothing has, for anything else. */
export function idOf(params: Params): number {
  return /^[1-9]\d{0,8}$/.test(params.id ?? '') ? Number(params.id) : 0;
}
