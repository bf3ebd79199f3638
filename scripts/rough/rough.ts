import { App } from '../../e2e/app';
import { ENDS } from './ends';
import { POISON } from './poison';
import { type Attack, type Finding, MIB, Stage } from './stage';
import { roughStarts } from './starts';
import { WHOSE } from './whose';

export interface Told extends Finding {
  point: number;
  what: string;
}

/** What treats the application roughly; each by itself, so that one that falls takes no other along. */
const ATTACKS: readonly Attack[] = [...ENDS, ...POISON, ...WHOSE];

/**
 * Starts a shop of its own, its process capped at 1 GiB, and does to it what it has to stand: points 1 to 14.
 *
 * @param isLong also what takes longer than some seconds
 * @param tell hears of each finding as it is found
 */
export async function treatRoughly(isLong: boolean, tell: (told: Told) => void): Promise<void> {
  const app = await App.open({}, { capBytes: 1024 * MIB, keepsLog: true });
  const stage = new Stage(app);
  try {
    for (const { point, what, isLong: takesLong, run } of ATTACKS) {
      if (takesLong && !isLong) continue;
      const finding = await run(stage).catch(
        (cause): Finding => ({ held: false, figure: String(cause).slice(0, 300) }),
      );
      tell({ point, what, ...finding });
      // Whoever guessed too often would be told to wait in the next one.
      await app.forgetTries();
    }
  } finally {
    await app.close();
  }
  await roughStarts((point, what, finding) => tell({ point, what, ...finding }), isLong);
}
