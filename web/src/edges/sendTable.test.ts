import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { sendTable, type TableAsk, type TableStage } from './sendTable.ts';

/** The browser's request as far as it is used, answered by the test. */
class FakeRequest {
  static last: FakeRequest;
  readonly upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {};
  onprogress: () => void = () => undefined;
  onload: () => void = () => undefined;
  onerror: () => void = () => undefined;
  onabort: () => void = () => undefined;
  responseText = '';
  opened: string[] = [];
  sent: unknown = null;
  constructor() {
    FakeRequest.last = this;
  }
  open(method: string, url: string): void {
    this.opened = [method, url];
  }
  setRequestHeader(): void {}
  send(body: unknown): void {
    this.sent = body;
  }
  abort(): void {
    this.onabort();
  }
  says(text: string): void {
    this.responseText += text;
    this.onprogress();
  }
}

beforeEach(() => vi.stubGlobal('XMLHttpRequest', FakeRequest));
afterEach(() => vi.unstubAllGlobals());

const file = new File(['Time,W\n'], 'plug.csv');
const plain: TableAsk = { zone: 'Europe/Paris', map: {}, dates: null, goodRows: false, replace: false };
const sent = (ask: Partial<TableAsk> = {}) => {
  const stages: TableStage[] = [];
  const { done, cancel } = sendTable('log 1', file, { ...plain, ...ask }, (stage) => stages.push(stage));
  return { done, cancel, stages, request: FakeRequest.last };
};
const answer = { taken: 2, rows: 2, good: 2, faultCount: 0, faults: [], notes: [], columns: [] };

describe('a meter’s table is sent', () => {
  it('with what was said of it, and nothing that was not', () => {
    const { request } = sent({ map: { w: 'Power & more' }, dates: 'dmy', replace: true });
    const [method, url = ''] = request.opened;
    const { pathname, searchParams } = new URL(url, 'http://localhost');
    expect([method, pathname, request.sent]).toEqual(['POST', '/api/logs/log%201/import', file]);
    expect(Object.fromEntries(searchParams)).toEqual({
      zone: 'Europe/Paris',
      map: '{"w":"Power & more"}',
      dates: 'dmy',
      replace: 'yes',
    });
  });

  it('tells how far it is, also where a line comes in two pieces', async () => {
    const { request, stages, done } = sent();
    request.upload.onprogress?.({ loaded: 25, total: 100 });
    request.upload.onprogress?.({ loaded: 0, total: 0 });
    request.says('{"stage":"reading","rows":10}\n{"stage":"rea');
    request.says('ding","rows":20}\n\n');
    request.says('{"stage":"storing","rows":20}\n{"done":');
    request.says(`${JSON.stringify(answer)}}\n`);
    request.onload();
    expect(await done).toEqual(answer);
    expect(stages).toEqual([
      { stage: 'sending', share: 0.25 },
      { stage: 'sending', share: 0 },
      { stage: 'reading', rows: 10 },
      { stage: 'reading', rows: 20 },
      { stage: 'storing', rows: 20 },
    ]);
  });

  it.each([
    ['{"problem":{"code":"invalid-table","detail":"It is a spreadsheet."}}\n', 'It is a spreadsheet.'],
    // A refusal before anything was read is one document.
    ['{"code":"unknown-log","detail":"The log is gone."}', 'The log is gone.'],
    ['<html>Sign in</html>', 'The server does not answer as it should.'],
    ['', 'The server does not answer as it should.'],
    ['{"done":true}', 'The server does not answer as it should.'],
    ['{"stage":"reading","rows":10}\n', 'The server does not answer as it should.'],
  ])('what ends with %j is refused: %s', async (text, reason) => {
    const { request, done } = sent();
    request.says(text);
    request.onload();
    await expect(done).rejects.toThrow(reason);
  });

  it('a lost signal and a change of mind say that nothing was stored', async () => {
    const lost = sent();
    lost.request.onerror();
    await expect(lost.done).rejects.toThrow(/signal was lost; nothing of it was stored/);
    const off = sent();
    off.cancel();
    await expect(off.done).rejects.toThrow('Called off; nothing of it was stored.');
  });
});
