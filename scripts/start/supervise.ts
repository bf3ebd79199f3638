import type { ChildProcess } from 'node:child_process';

/** How long it is waited before a program is started again, milliseconds: twice as long each time. */
const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 30_000;
/** A program that ran so long is healthy: its next crash is a first one again. */
const HEALTHY_MS = 60_000;
const STOP_MS = 5_000;

/** A program is asked so often whether it is alive, and given up after so many questions without an answer. */
const ASK_MS = 5_000;
const ANSWER_MS = 10_000;
const MOST_SILENCES = 3;
/** On a machine that is busy elsewhere a program may take so long until it answers for the first time. */
const FIRST_ANSWER_MS = 60_000;

export interface Supervised {
  name: string;
  spawn: () => ChildProcess;
  /** Is it alive? Asked without the database, so that nothing is started again because that is away. */
  isAlive?: (timeoutMs: number) => Promise<boolean>;
  say: (sentence: string) => void;
}

export interface Supervisor {
  /** Is the program running for the first time, and has never ended? */
  readonly isFirst: boolean;
  readonly child: ChildProcess;
  /** Ends it now, hard, and starts it again at once: what it was started with has changed. */
  restart: () => void;
  /** Ends it for good. */
  stop: () => Promise<void>;
}

/** How long to wait before the n-th start after a crash, milliseconds; n counts from 1. */
export const pauseBefore = (crashes: number): number => Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (crashes - 1));

const pauseText = (ms: number): string =>
  ms < 1000 ? 'half a second' : ms === 1000 ? '1 second' : `${ms / 1000} seconds`;

const wordsOf = (cause: unknown): string => (cause instanceof Error ? cause.message : String(cause));

const isRunning = ({ pid, exitCode, signalCode }: ChildProcess): boolean =>
  pid !== undefined && exitCode === null && signalCode === null;

/** Keeps a program running: started again after a crash, with growing pauses, each said in the log. */
export function supervise({ name, spawn, isAlive, say }: Supervised): Supervisor {
  let child = spawn();
  let startedAt = Date.now();
  let isFirst = true;
  let crashes = 0;
  let ending = false;
  let planned = false;
  let silences = 0;
  let hasAnswered = false;
  let timer: NodeJS.Timeout | undefined;

  /** Starts it again after a pause. */
  function startAgain(what: string): void {
    if (ending) return;
    isFirst = false;
    crashes = planned || Date.now() - startedAt > HEALTHY_MS ? 1 : crashes + 1;
    const pauseMs = planned ? 0 : pauseBefore(crashes);
    if (!planned) say(`${name} ${what}: started again in ${pauseText(pauseMs)}`);
    planned = false;
    timer = setTimeout(start, pauseMs);
  }

  function start(): void {
    startedAt = Date.now();
    silences = 0;
    hasAnswered = false;
    try {
      child = spawn();
    } catch (cause) {
      startAgain(`could not start (${wordsOf(cause)})`);
      return;
    }
    watch();
  }

  function watch(): void {
    const watched = child;
    watched.once('exit', (code, signal) => startAgain(`ended with ${signal ?? code}`));
    watched.on('error', (cause) => {
      // The machine had no room for it just now; any other error is of a program that runs on.
      if (watched.pid === undefined) startAgain(`could not start (${wordsOf(cause)})`);
    });
  }

  watch();
  const asking =
    isAlive &&
    setInterval(async () => {
      // A program that has just started may still be busy with that.
      if (!isRunning(child) || Date.now() - startedAt < ASK_MS * 2) return;
      const mayBeStarting = !hasAnswered && Date.now() - startedAt < FIRST_ANSWER_MS;
      const asked = child;
      const alive = await isAlive(ANSWER_MS);
      if (asked !== child || ending) return;
      if (alive) hasAnswered = true;
      silences = alive || mayBeStarting ? 0 : silences + 1;
      if (silences < MOST_SILENCES) return;
      silences = 0;
      say(`${name} does not answer: ended`);
      child.kill('SIGKILL');
    }, ASK_MS);

  return {
    get isFirst() {
      return isFirst;
    },
    get child() {
      return child;
    },
    restart: () => {
      planned = isRunning(child);
      child.kill('SIGKILL');
    },
    stop: async () => {
      ending = true;
      clearTimeout(timer);
      clearInterval(asking);
      await stopped(child);
    },
  };
}

/** Ends a program: asked first, and hard where it does not. */
async function stopped(child: ChildProcess): Promise<void> {
  if (!isRunning(child)) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  const late = setTimeout(() => child.kill('SIGKILL'), STOP_MS);
  await gone;
  clearTimeout(late);
}
