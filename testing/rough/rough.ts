import { App } from '../browser/app';
import { ENDS } from './ends';
import { POISON } from './poison';
import { type Attack, type Finding, held, MIB, Stage, wait } from './stage';
import { roughStarts } from './starts';
import { WHOSE } from './whose';

export interface Told extends Finding {
  point: number;
  what: string;
}

/** An attack that is not done by then has hung something, milliseconds. */
const LONGEST_MS = 90_000;

/** What treats the application roughly; each on its own, so that one that falls takes no other along. */
const ATTACKS: readonly Attack[] = [...ENDS, ...POISON, ...WHOSE];

/**
 * Starts a shop of its own, its process capped at 1 GiB, and does to it what it has to stand: points 1 to 14.
 *
 * @param isLong also what takes longer than some seconds
 * @param tell hears of each finding as it is found
 */
export async function treatRoughly(isLong: boolean, tell: (told: Told) => void): Promise<void> {
  const app = await App.open(
    { FENBRIK_PROXIES: 'loopback', FENBRIK_SMTP: 'smtp://127.0.0.1:9' },
    { capBytes: 1024 * MIB, keepsLog: true },
  );
  const stage = new Stage(app);
  try {
    for (const [nr, { point, what, isLong: takesLong, run }] of ATTACKS.entries()) {
      if (takesLong && !isLong) continue;
      stage.address = `10.0.1.${nr}`;
      const tooLong = wait(LONGEST_MS).then(() => held(false, `not done after ${LONGEST_MS / 1000} s`));
      const done = run(stage).catch((cause): Finding => held(false, String(cause).slice(0, 300)));
      const finding = await Promise.race([done, tooLong]);
      tell({ point, what, ...finding });
      // Anyone who guessed too often would be told to wait in the next one.
      await app.forgetTries();
    }
  } finally {
    await app.close();
  }
  await roughStarts((point, what, finding) => tell({ point, what, ...finding }), isLong);
}
