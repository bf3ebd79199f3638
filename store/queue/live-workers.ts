import pg from 'pg';
import { log, logCaught } from '../../runtime/log';
import { pool } from '../database';
import { deadOf, holdWorker, unlockWorkers, workersAtWork } from './queue';

const RETRY_MS = 2_000;
const LOOK_MS = 15_000;
/** A worker that took a task just now may not have said yet that it lives, seconds. */
const SETTLED_S = 20;

/**
 * Says to all processes on the database which workers of this one live, for as long as it does: a connection of its own holds a
 * lock for each. And looks now and then for workers of processes that have ended: what these had taken is given to others.
 */
export class LiveWorkers {
  readonly #url: string;
  readonly #workers = new Set<string>();
  #client: pg.Client | null = null;
  #suspects: ReadonlySet<string> = new Set();
  #ended = false;
  #asking: Promise<void> = Promise.resolve();
  #looking: NodeJS.Timeout | undefined;
  #waiting: NodeJS.Timeout | undefined;

  constructor(url: string) {
    this.#url = url;
  }

  async start(lookMs = LOOK_MS): Promise<void> {
    this.#looking = setInterval(() => {
      this.look().catch((cause) => logCaught(cause, 'looking for tasks whose process has ended'));
    }, lookMs);
    this.#looking.unref();
    // One that cannot be opened now is opened later.
    await this.#connect().catch((cause) => logCaught(cause, 'connecting for the locks of living workers'));
  }

  /** The workers of this process have all ended, and others come up: what those had taken is for anybody. */
  async forgetAll(): Promise<void> {
    this.#workers.clear();
    await this.#client?.end();
  }

  async #connect(): Promise<void> {
    const client = new pg.Client({ connectionString: this.#url, keepAlive: true });
    // A connection that breaks takes its locks along: they are taken again on the next one.
    client.on('error', (cause) => logCaught(cause, 'holding the locks of living workers'));
    client.once('end', () => {
      this.#client = null;
      this.#later();
    });
    await client.connect();
    this.#client = client;
    await this.#inTurn(async () => {
      for (const worker of this.#workers) await holdWorker(client, worker);
    });
  }

  /** A connection is asked one thing after the other. */
  #inTurn(work: () => Promise<void>): Promise<void> {
    const turn = this.#asking.then(work);
    this.#asking = turn.catch(() => {});
    return turn;
  }

  /** Connects again after a while. A connection that never came up ends too, so there is one wait at most. */
  #later(): void {
    if (this.#ended || this.#waiting !== undefined) return;
    this.#waiting = setTimeout(() => {
      this.#waiting = undefined;
      this.#connect().catch((cause) => {
        logCaught(cause, 'connecting anew for the locks of living workers');
        this.#later();
      });
    }, RETRY_MS);
    this.#waiting.unref();
  }

  /** A worker of this process has come up. */
  async add(worker: string): Promise<void> {
    this.#workers.add(worker);
    const client = this.#client;
    if (client !== null) await this.#inTurn(() => holdWorker(client, worker));
  }

  /**
   * Gives tasks of workers that have ended to the person who asks next: of those that were found without a lock twice in a row, since
   * one may be connecting again just now.
   */
  async look(): Promise<string[]> {
    const dead = await deadOf(pool(), await workersAtWork(pool(), SETTLED_S));
    const sure = dead.filter((worker) => this.#suspects.has(worker));
    this.#suspects = new Set(dead);
    if (sure.length > 0) {
      await unlockWorkers(pool(), sure);
      log.warn({ workers: sure }, 'tasks of a process that has ended are given to others');
    }
    return sure;
  }

  async end(): Promise<void> {
    this.#ended = true;
    clearInterval(this.#looking);
    clearTimeout(this.#waiting);
    await this.#client?.end();
  }
}
