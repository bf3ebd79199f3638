import { readAllLarge } from './fuzz/read-large';
import { fuzz } from './fuzz/run';

/*
 * npm run fuzz [-- COUNT [SEED]]: reads that many mutated inputs of every kind (200,000 if not said) and the largest
 * inputs there are, and exits with 1 where one of them threw, hung, or took more memory than 20 times its size and
 * 16 MiB.
 */

const count = Number(process.argv[2] ?? 200_000);
const seed = Number(process.argv[3] ?? 20_261_125);

const from = performance.now();
const report = fuzz(count, seed);
const seconds = ((performance.now() - from) / 1000).toFixed(1);
process.stdout.write(`${report.inputs} mutated inputs, seed ${seed}, in ${seconds} s\n`);
const answers = Object.entries(report.answers).sort(([, a], [, b]) => b - a);
for (const [answer, times] of answers) process.stdout.write(`  ${answer.padEnd(22)}${String(times).padStart(8)}\n`);
process.stdout.write(
  `slowest ${report.slowestMs.toFixed(1)} ms; most beyond 20 times the size ${report.mostBytesBeyond} bytes\n`,
);

try {
  const readings = await readAllLarge();
  process.stdout.write(`${readings.length} inputs of 8 MiB, each in a heap of 176 MiB\n`);
  for (const { name, answer, ms } of readings) {
    process.stdout.write(`  ${name.padEnd(34)}${answer.padEnd(16)}${ms.toFixed(0).padStart(6)} ms\n`);
    if (ms > 10_000) report.failures.push(`${name} took ${Math.round(ms)} ms`);
  }
} catch (cause) {
  report.failures.push(String(cause));
}
for (const failure of report.failures) process.stdout.write(`FAILED ${failure}\n`);
process.stdout.write(report.failures.length === 0 ? 'none failed\n' : `${report.failures.length} failed\n`);
process.exitCode = report.failures.length === 0 ? 0 : 1;
