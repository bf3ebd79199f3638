import { appendFileSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { SMTPServer } from 'smtp-server';

/**
 * A small simulated outside world: the mail server of the shop's provider (SMTP, RFC 5321). Every mail that it takes is kept
 * as `N.eml`, and a line of `received.jsonl` tells its Message-ID and receivers. Each mail that is begun has a mood:
 *
 * - `well` takes it; `busy` asks to come later before it begins (450); `late` takes all of it and asks to come later (451);
 * - `refused` knows no such receiver (550); `lost` takes all of it, keeps it, and ends the line without an answer;
 * - `cut` ends the line in the middle.
 *
 * Environment: FENBRIK_MAIL_PORT; FENBRIK_MAIL_FOLDER, where mails are kept; FENBRIK_MAIL_MOODS, a list that mails go
 * through, the last of which stays (default: well).
 */
const MOODS = ['well', 'busy', 'late', 'refused', 'lost', 'cut'] as const;
type Mood = (typeof MOODS)[number];
const isMood = (text: string): text is Mood => (MOODS as readonly string[]).includes(text);

export interface MailServer {
  port: number;
  close: () => Promise<void>;
  /** how the mails to come are met; the last mood stays */
  setMoods: (moods: string) => void;
}

interface Answer extends Error {
  responseCode: number;
}
const answer = (responseCode: number, words: string): Answer => Object.assign(new Error(words), { responseCode });

/** The number of the last mail that the folder holds; 0: none, or there is no such folder yet. */
function lastMail(folder: string): number {
  try {
    mkdirSync(folder, { recursive: true });
    return Math.max(0, ...readdirSync(folder).map((name) => Number(/^(\d+)\.eml$/.exec(name)?.[1] ?? 0)));
  } catch {
    return 0;
  }
}

/** The folder that mails are kept in, each with its number. */
class MailFolder {
  readonly #folder: string;
  taken: number;

  constructor(folder: string) {
    this.#folder = folder;
    this.taken = lastMail(folder);
  }

  /** @returns null: kept; else why not, as a sender is told it */
  keep(message: Buffer, to: string[]): Answer | null {
    const nr = this.taken + 1;
    const id = /^message-id:\s*(<[^>]+>)/im.exec(message.toString('latin1'))?.[1] ?? null;
    try {
      mkdirSync(this.#folder, { recursive: true });
      writeFileSync(join(this.#folder, `${nr}.eml`), message);
      appendFileSync(join(this.#folder, 'received.jsonl'), `${JSON.stringify({ nr, id, to })}\n`);
    } catch (cause) {
      console.error(`[fenbrik] a mail could not be kept in ${this.#folder}: ${(cause as NodeJS.ErrnoException).code}`);
      return answer(452, 'no room to keep it, come again');
    }
    this.taken = nr;
    return null;
  }
}

/**
 * Starts the server; every mail it takes is written into the folder before it is acknowledged. Where the folder cannot be
 * written, senders are asked to come later.
 */
export async function openMailServer(folder: string, port = 0, moods = 'well'): Promise<MailServer> {
  let left = moods.split(',').filter(isMood);
  const kept = new MailFolder(folder);
  const moodNow = (): Mood => left[0] ?? 'well';
  const next = (): void => {
    if (left.length > 1) left = left.slice(1);
  };
  /** Ends the line of a session as a network does, without a word. */
  const hangUp = (id: string): void => {
    for (const line of server.connections as unknown as Iterable<{ id: string; _socket: { destroy: () => void } }>) {
      if (line.id === id) line._socket.destroy();
    }
  };
  const server: SMTPServer = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    disableReverseLookup: true,
    logger: false,
    onMailFrom(_, __, callback) {
      if (moodNow() !== 'busy') return callback();
      next();
      return callback(answer(450, 'busy just now, come again'));
    },
    onRcptTo(_, __, callback) {
      if (moodNow() !== 'refused') return callback();
      next();
      return callback(answer(550, 'no such mailbox here'));
    },
    onData(stream, session, callback) {
      const mood = moodNow();
      next();
      const pieces: Buffer[] = [];
      stream.on('data', (piece: Buffer) => {
        pieces.push(piece);
        if (mood === 'cut') hangUp(session.id);
      });
      stream.on('error', () => {});
      stream.on('end', () => {
        if (mood === 'cut') return;
        if (mood === 'late') {
          callback(answer(451, 'could not keep it, come again'));
          return;
        }
        const fault = kept.keep(
          Buffer.concat(pieces),
          session.envelope.rcptTo.map(({ address }) => address),
        );
        if (fault !== null) {
          callback(fault);
          return;
        }
        if (mood === 'lost') hangUp(session.id);
        else callback(null, `kept as ${kept.taken}`);
      });
    },
  });
  server.on('error', () => {});
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  const address = server.server.address();
  return {
    port: typeof address === 'object' && address !== null ? address.port : port,
    close: () => new Promise((resolve) => server.close(() => resolve())),
    setMoods: (wanted) => {
      left = wanted.split(',').filter(isMood);
    },
  };
}

if (process.env.FENBRIK_MAIL_PORT !== undefined && process.env.FENBRIK_MAIL_FOLDER !== undefined) {
  void openMailServer(
    process.env.FENBRIK_MAIL_FOLDER,
    Number(process.env.FENBRIK_MAIL_PORT),
    process.env.FENBRIK_MAIL_MOODS ?? 'well',
  );
}
