import { readFileSync } from 'node:fs';
import { type IncomingHttpHeaders, request } from 'node:http';
import { connect, type Socket } from 'node:net';
import { DEMO_PASSWORD } from '../../demo/load-shop';
import type { App } from '../browser/app';

/** What became of one attack: held, or fallen, with the figure that says so. */
export interface Finding {
  held: boolean;
  figure: string;
}

export interface Attack {
  /** the point of the list that it belongs to */
  point: number;
  what: string;
  /** it takes longer than some seconds: only the whole run does it */
  isLong?: boolean;
  run: (stage: Stage) => Promise<Finding>;
}

export interface Answer {
  status: number;
  headers: IncomingHttpHeaders;
  text: string;
  ms: number;
}

export interface Asked {
  role?: Role | undefined;
  headers?: Record<string, string>;
  json?: unknown;
  body?: Buffer | string;
}

export type Role = 'owner' | 'technician' | 'counter';
const NAMES: Record<Role, string> = { owner: 'runa', technician: 'teo', counter: 'edda' };

export const held = (is: boolean, figure: string): Finding => ({ held: is, figure });
export const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
export const MIB = 1024 * 1024;

/** The application that is treated roughly, and hands to do it with. */
export class Stage {
  private readonly cookies = new Map<Role, string>();
  /** where the attack of now comes from: each has an address of its own, told by a trusted proxy */
  address = '10.0.0.1';

  constructor(readonly app: App) {}

  get port(): number {
    return Number(new URL(this.app.base).port);
  }

  /** Asks once, on a connection of its own. A connection that breaks is status 0. */
  async ask(method: string, path: string, { role, headers = {}, json, body }: Asked = {}): Promise<Answer> {
    const cookie = role === undefined ? undefined : await this.session(role);
    const content = json === undefined ? body : JSON.stringify(json);
    const from = performance.now();
    return new Promise((resolve) => {
      const end = (status: number, back: IncomingHttpHeaders = {}, text = '') =>
        resolve({ status, headers: back, text, ms: performance.now() - from });
      const sent = request(
        {
          host: '127.0.0.1',
          port: this.port,
          method,
          path,
          agent: false,
          headers: {
            ...(json !== undefined && { 'content-type': 'application/json' }),
            ...(content !== undefined && { 'content-length': Buffer.byteLength(content) }),
            ...(cookie !== undefined && { cookie }),
            'x-forwarded-for': this.address,
            ...headers,
          },
        },
        (response) => {
          let text = '';
          response.on('data', (piece: Buffer) => {
            text += piece.toString();
          });
          response.on('end', () => end(response.statusCode ?? 0, response.headers, text));
          response.on('error', () => end(0));
        },
      );
      sent.on('error', () => end(0));
      sent.setTimeout(60_000, () => sent.destroy());
      if (content !== undefined) sent.write(content);
      sent.end();
    });
  }

  /** The cookie of somebody who is signed in. */
  async session(role: Role): Promise<string> {
    const known = this.cookies.get(role);
    if (known !== undefined) return known;
    const { headers } = await this.ask('POST', '/api/sign-in', {
      json: { name: NAMES[role], password: DEMO_PASSWORD },
    });
    const cookie = (headers['set-cookie'] ?? []).map((one) => one.split(';')[0]).join('; ');
    if (!cookie.includes('fenbrik-session=')) throw new Error(`signing in as ${role} was refused`);
    this.cookies.set(role, cookie);
    return cookie;
  }

  /** JSON of an answer; what is none is null. */
  static json(answer: Answer): Record<string, unknown> | null {
    try {
      return JSON.parse(answer.text);
    } catch {
      return null;
    }
  }

  /**
   * Opens connections that send the head of a request and no end of its body; what they were answered first.
   *
   * @param wanted so many answers are waited for
   */
  async unfinished(
    count: number,
    head: string,
    pieces: readonly Buffer[],
    patienceMs = 8_000,
    wanted = count,
  ): Promise<{ answers: string[]; end: () => void }> {
    const sockets: Socket[] = [];
    const answers: string[] = Array.from({ length: count }, () => '');
    for (let nr = 0; nr < count; nr++) {
      const socket = connect(this.port, '127.0.0.1');
      sockets.push(socket);
      socket.on('error', () => {});
      socket.on('data', (data) => {
        answers[nr] += data.toString('latin1').slice(0, 200);
      });
      socket.write(head);
      const rest = [...pieces];
      const more = () => {
        while (rest.length > 0 && !socket.destroyed) if (!socket.write(rest.shift() ?? '')) return;
      };
      socket.on('drain', more);
      more();
    }
    // They are given time to be answered; what is taken in is answered never.
    for (let waited = 0; waited < patienceMs && answers.filter((one) => one !== '').length < wanted; waited += 100)
      await wait(100);
    return {
      answers: answers.map((one) => /^HTTP\/1\.1 (\d+)/.exec(one)?.[1] ?? ''),
      end: () => {
        for (const socket of sockets) socket.destroy();
      },
    };
  }

  /** The most memory that the application's process ever had, bytes (VmHWM). */
  peak(): number {
    const status = readFileSync(`/proc/${this.app.pid}/status`, 'utf8');
    return Number(/VmHWM:\s+(\d+) kB/.exec(status)?.[1] ?? 0) * 1024;
  }

  /** How long the application takes for a sign of life, milliseconds; infinite: it gives none. */
  async pulse(): Promise<number> {
    const { status, ms } = await this.ask('GET', '/api/health');
    return status === 200 ? ms : Number.POSITIVE_INFINITY;
  }

  /** The longest of several signs of life while something else goes on, milliseconds. */
  async pulseDuring(work: Promise<unknown>): Promise<number> {
    let longest = 0;
    let over = false;
    void work.finally(() => {
      over = true;
    });
    while (!over) {
      longest = Math.max(longest, await this.pulse());
      await wait(20);
    }
    return longest;
  }
}
