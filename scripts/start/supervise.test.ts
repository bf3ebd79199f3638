import { type ChildProcess, spawn } from 'node:child_process';
import { askedPort } from './port';
import { pauseBefore, supervise } from './supervise';

const programs: ChildProcess[] = [];
const run = (code: string) => () => {
  const child = spawn(process.execPath, ['-e', code], { stdio: 'ignore' });
  programs.push(child);
  return child;
};
const LIVES = 'setInterval(() => {}, 1000)';
const until = async (is: () => boolean, ms = 10_000) => {
  for (const from = Date.now(); Date.now() - from < ms; ) {
    if (is()) return true;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  return false;
};

beforeEach(() => {
  programs.length = 0;
});

test('pauses grow from half a second to thirty', () => {
  expect([1, 2, 3, 4, 7, 20].map(pauseBefore)).toEqual([500, 1000, 2000, 4000, 30_000, 30_000]);
});

test('what crashes is started again, after a pause that is said', async () => {
  const said: string[] = [];
  const one = supervise({ name: 'the program', spawn: run(LIVES), say: (line) => said.push(line) });
  expect(one.isFirst).toBe(true);
  one.child.kill('SIGKILL');
  expect(await until(() => programs.length === 2)).toBe(true);
  expect(said).toEqual(['the program ended with SIGKILL: started again in half a second']);
  expect(one.isFirst).toBe(false);
  one.child.kill('SIGKILL');
  expect(await until(() => programs.length === 3)).toBe(true);
  expect(said[1]).toBe('the program ended with SIGKILL: started again in 1 second');
  await one.stop();
  expect(programs.every(({ exitCode, signalCode }) => exitCode !== null || signalCode !== null)).toBe(true);
});

test('what was stopped stays so, also in the middle of a pause', async () => {
  const one = supervise({ name: 'the program', spawn: run('process.exit(3)'), say: () => {} });
  expect(await until(() => one.child.exitCode === 3)).toBe(true);
  await one.stop();
  await new Promise((resolve) => setTimeout(resolve, 800));
  expect(programs).toHaveLength(1);
});

test('a restart that is wanted is no crash: at once, and not said', async () => {
  const said: string[] = [];
  const one = supervise({ name: 'the program', spawn: run(LIVES), say: (line) => said.push(line) });
  one.restart();
  expect(await until(() => programs.length === 2, 3_000)).toBe(true);
  expect(said).toEqual([]);
  await one.stop();
});

test('a start that the machine has no room for is tried again', async () => {
  const said: string[] = [];
  let tries = 0;
  const one = supervise({
    name: 'the program',
    spawn: () => {
      tries++;
      if (tries === 2) return spawn('/no/such/program', { stdio: 'ignore' });
      if (tries === 3) throw new Error('no memory');
      return run(LIVES)();
    },
    say: (line) => said.push(line),
  });
  one.child.kill('SIGKILL');
  const goesOn = await until(() => tries === 4);
  await one.stop();
  expect(goesOn).toBe(true);
  expect(said).toEqual([
    'the program ended with SIGKILL: started again in half a second',
    expect.stringMatching(/^the program could not start \(.*ENOENT\): started again in 1 second$/),
    'the program could not start (no memory): started again in 2 seconds',
  ]);
  expect(programs).toHaveLength(2);
});

test.each([
  [undefined, null],
  ['', null],
])('no port is asked for by %j', async (asked, port) => {
  expect(await askedPort(asked)).toBe(port);
});

test.each([
  ['abc', 'PORT is "abc": a port is a number from 1 to 65535.'],
  ['70000', 'PORT is "70000": a port is a number from 1 to 65535.'],
  ['6000', 'Browsers refuse port 6000: set another PORT, such as 4180.'],
])('a port that cannot be had is told: %s', async (asked, sentence) => {
  await expect(askedPort(asked)).rejects.toThrow(sentence);
});

test('a port that is taken is told', async () => {
  const { createServer } = await import('node:net');
  const server = createServer();
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  const port = typeof address === 'object' && address !== null ? address.port : 0;
  await expect(askedPort(String(port))).rejects.toThrow(`Port ${port} is taken by another program`);
  await new Promise((resolve) => server.close(resolve));
  expect(await askedPort(String(port))).toBe(port);
});
