import { type ChildProcess, spawn } from 'node:child_process';
import { freePort } from '../../scripts/start/cluster';
import { serveCommand } from '../../scripts/start/serve-command';
import { closePool, pool } from '../../store/database';
import { demoDatabase, type TestDatabase } from '../database';

const ROOT = process.cwd();

/** How the process runs beside its settings. */
export interface Running {
  /** all the memory that it may have of its own, bytes (RLIMIT_DATA) */
  capBytes?: number;
  keepsLog?: boolean;
  /** where it listens; left out: this machine alone */
  host?: string;
  /** the folder of the output that it runs from; left out: the checkout */
  folder?: string;
}

/** The built application on a database of its own, as a process that can be killed and started again. */
export class App {
  private child: ChildProcess | null = null;
  private said = '';

  private constructor(
    private readonly database: TestDatabase,
    readonly port: number,
    /** settings of the process beside the usual ones */
    private readonly more: Record<string, string>,
    private readonly how: Running,
  ) {}

  /** Starts it on the demo shop. */
  static async open(more: Record<string, string> = {}, how: Running = {}): Promise<App> {
    return App.openOn(await demoDatabase(), more, how);
  }

  /** Starts it on a database of one's own. */
  static async openOn(database: TestDatabase, more: Record<string, string> = {}, how: Running = {}): Promise<App> {
    process.env.DATABASE_URL = database.url;
    const app = new App(database, await freePort(), more, how);
    await app.start();
    return app;
  }

  get base(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get databaseUrl(): string {
    return this.database.url;
  }

  /** How its process reaches the database: as the application's role. */
  get applicationUrl(): string {
    return this.database.appUrl;
  }

  get pid(): number {
    return this.child?.pid ?? 0;
  }

  /** What its process wrote, where it was asked to keep that. */
  log(): string {
    return this.said;
  }

  /** Forgets who tried what how often. */
  async forgetTries(): Promise<void> {
    await pool().query('delete from rate_limit');
  }

  async start(): Promise<void> {
    const { capBytes, keepsLog = false, host = '127.0.0.1', folder = ROOT } = this.how;
    const serve = serveCommand(host, this.port, { folder });
    const [command, ...args] =
      capBytes === undefined
        ? [process.execPath, ...serve]
        : ['prlimit', `--data=${capBytes}`, process.execPath, ...serve];
    this.child = spawn(command ?? '', args, {
      cwd: folder,
      detached: true,
      stdio: keepsLog ? ['ignore', 'pipe', 'pipe'] : 'ignore',
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        LOG_LEVEL: keepsLog ? 'info' : 'silent',
        DATABASE_URL: this.database.appUrl,
        FENBRIK_ADDRESS: this.base,
        ...this.more,
      },
    });
    for (const stream of [this.child.stdout, this.child.stderr])
      stream?.on('data', (piece: Buffer) => {
        this.said += piece.toString();
      });
    for (let tries = 0; tries < 300; tries++) {
      const answer = await fetch(`${this.base}/api/health`).catch(() => null);
      if (answer?.ok) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('the application did not come up');
  }

  /** Ends the process at once, as a crash does, with everything it started. */
  async kill(): Promise<void> {
    const { child } = this;
    if (child?.pid === undefined || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    process.kill(-child.pid, 'SIGKILL');
    await gone;
    this.child = null;
  }

  async close(): Promise<void> {
    await this.kill();
    await closePool();
    await this.database.drop();
  }
}
