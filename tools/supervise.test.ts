import { afterEach, describe, expect, it, vi } from 'vitest';
import { supervise } from './lib/supervise.mjs';

/** A process that is only told to have one. */
function aProcess() {
  let end: (code: number) => void = () => {};
  const exited = new Promise<number>((resolve) => {
    end = resolve;
  });
  return { exited, stop: async () => end(0), kill: vi.fn(() => end(9)) };
}

const said: string[] = [];
vi.spyOn(process.stdout, 'write').mockImplementation((text) => said.push(String(text)) > 0);
afterEach(() => said.splice(0));

describe('a process that is kept running', () => {
  it('that hangs is ended after three questions in a row, and another is started', async () => {
    const hung = aProcess();
    const next = aProcess();
    const start = vi.fn(async () => next);
    const kept = supervise('It', hung, start, { askMs: 5, answers: async (one: typeof hung) => one === next });
    await vi.waitFor(() => expect(start).toHaveBeenCalledOnce(), 5000);
    expect(hung.kill).toHaveBeenCalledOnce();
    expect(said.join('')).toContain('It does not answer');
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(next.kill).not.toHaveBeenCalled();
    await kept.stop();
  });

  it('that answers now and then is left alone; a question that fails counts as none', async () => {
    const busy = aProcess();
    let asked = 0;
    const kept = supervise('It', busy, async () => busy, {
      askMs: 2,
      answers: async () => {
        asked += 1;
        if (asked % 3 === 1) throw new Error('cut off');
        return asked % 3 === 0;
      },
    });
    await vi.waitFor(() => expect(asked).toBeGreaterThan(12));
    expect(busy.kill).not.toHaveBeenCalled();
    await kept.stop();
  });
});
