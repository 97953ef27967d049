import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, describe, expect, it } from 'vitest';
import { Helper } from './helper.ts';

const directory = mkdtempSync(join(tmpdir(), 'joulemetric-helper-'));
afterAll(() => rmSync(directory, { recursive: true, force: true }));

/** A helper whose program is this text. */
function helper(program: string, longestMs = 20_000) {
  const file = join(directory, `helper-${Math.random().toString(36).slice(2)}.mjs`);
  writeFileSync(file, `${program} process.send('ready');`);
  return new Helper<{ n: number }, { n: number; env?: string[] }>(pathToFileURL(file), longestMs);
}
const ECHO = `process.on('message', ({ n }) => process.send({ n: n * 2, env: Object.keys(process.env) }));`;

describe('a helper process', () => {
  it('answers one after the other, each its own question', async () => {
    const echo = helper(ECHO);
    const answers = await Promise.all([1, 2, 3].map((n) => echo.ask({ n })));
    expect(answers.map((answer) => answer?.n)).toEqual([2, 4, 6]);
    expect(echo.waiting).toBe(0);
    echo.close();
  });

  it('gets none of the server’s secrets', async () => {
    process.env.JOULEMETRIC_TEST_SECRET = 'x';
    const echo = helper(ECHO);
    const answer = await echo.ask({ n: 1 });
    expect(answer?.env).not.toContain('JOULEMETRIC_TEST_SECRET');
    echo.close();
  });

  it('one that hangs is ended, and the next question gets a new one', async () => {
    const sleepy = helper(`process.on('message', ({ n }) => { if (n === 0) for (;;); process.send({ n }); });`, 4000);
    const [hung, next] = await Promise.all([sleepy.ask({ n: 0 }), sleepy.ask({ n: 5 })]);
    expect(hung).toBeNull();
    expect(next?.n).toBe(5);
    sleepy.close();
  });

  it('that is slow to come up has its whole time for the work', async () => {
    const slow = helper(`await new Promise((go) => setTimeout(go, 1500)); ${ECHO}`, 1000);
    expect((await slow.ask({ n: 4 }))?.n).toBe(8);
    slow.close();
  });

  it('that never comes up loses its question, and says so at once when it ends', async () => {
    const broken = helper('process.exit(1);');
    expect(await broken.ask({ n: 1 })).toBeNull();
  });

  it('one that dies loses its question alone', async () => {
    const fragile = helper(`process.on('message', ({ n }) => (n === 0 ? process.exit(1) : process.send({ n })));`);
    expect(await fragile.ask({ n: 0 })).toBeNull();
    expect((await fragile.ask({ n: 7 }))?.n).toBe(7);
    fragile.close();
  });
});
