import { createServer, type Server } from 'node:http';
import { type AddressInfo, connect, type Socket } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { blankJob } from '@joulemetric/core';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, afterEach, beforeAll, describe, expect, inject, it } from 'vitest';
import { buildApp } from './app.ts';
import { type ConnectionLimits, limitConnections } from './connections.ts';
import { openPool } from './database.ts';
import { migrate } from './migrate.ts';
import { Slots } from './slots.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const silent = pino({ level: 'silent' });
const app = buildApp(pool, silent);
const NOBODY = '00000000-0000-4000-8000-000000000000';
const servers: Server[] = [];

beforeAll(() => migrate(url));
afterEach(() => {
  for (const server of servers.splice(0)) {
    server.close();
    server.closeAllConnections();
  }
});
afterAll(() => pool.end());

/** A server with these limits and what it answers with. */
async function listening(limits: ConnectionLimits, handler: Parameters<typeof createServer>[1] = app): Promise<number> {
  const server = createServer({ connectionsCheckingInterval: 200 }, handler);
  limitConnections(server, limits);
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return (server.address() as AddressInfo).port;
}

/** A connection, what it has said so far, and whether it is closed. */
function wire(port: number) {
  const socket: Socket = connect(port, '127.0.0.1');
  const heard = { text: '', closed: false };
  socket.on('data', (data) => {
    heard.text += data.toString('latin1');
  });
  socket.on('error', () => {});
  socket.on('close', () => {
    heard.closed = true;
  });
  const until = async (isSo: () => boolean, ms = 10_000) => {
    for (const end = Date.now() + ms; !isSo() && Date.now() < end; ) await sleep(20);
    return isSo();
  };
  return { socket, heard, until };
}

const GET = 'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n';
const answers = (text: string) => text.match(/HTTP\/1\.1 (\d{3})/g) ?? [];

describe('a connection that is kept', () => {
  it('outlives a silence much longer than a request may have, is closed without a word, and answers what comes before', async () => {
    const port = await listening({ idleMs: 300 });
    const { socket, heard, until } = wire(port);
    socket.write(GET);
    expect(await until(() => answers(heard.text).length === 1)).toBe(true);
    await sleep(1500);
    expect(heard.closed).toBe(false);
    socket.write(GET);
    expect(await until(() => answers(heard.text).length === 2)).toBe(true);
    expect(heard.text).not.toContain('408');
    expect(servers[0]?.keepAliveTimeout).toBeGreaterThanOrEqual(65_000);
    expect(servers[0]?.keepAliveTimeout).toBeLessThanOrEqual(76_000);
    socket.destroy();
  });

  it('on which nothing was ever asked is closed without a 408', async () => {
    const port = await listening({ idleMs: 300 });
    const { heard, until } = wire(port);
    expect(await until(() => heard.closed)).toBe(true);
    expect(heard.text).toBe('');
  });

  it.each([
    ['a table sent as something else', `/api/logs/${NOBODY}/import`, 'text/plain'],
    ['a table for a log that is not there', `/api/logs/${NOBODY}/import`, 'text/csv'],
    ['a body that is too large', '/api/jobs', 'application/json'],
    ['a photo that is too large', `/api/jobs/${NOBODY}/photos`, 'image/jpeg'],
    ['a body of another character set', '/api/jobs', 'application/json; charset=latin1'],
  ])('hears the next request after %s was refused early', async (_what, path, type) => {
    const port = await listening({});
    const { socket, heard, until } = wire(port);
    const bytes = 17_000_000;
    socket.write(
      `POST ${path} HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: ${type}\r\nContent-Length: ${bytes}\r\n\r\n`,
    );
    for (let left = bytes; left > 0; left -= 1_000_000)
      if (!socket.write(Buffer.alloc(Math.min(left, 1_000_000), 0x20)))
        await Promise.race([new Promise((resolve) => socket.once('drain', resolve)), sleep(5000)]);
    socket.write(GET);
    expect(await until(() => /\r\n\r\n\{"status":"ok"\}$/.test(heard.text))).toBe(true);
    expect(answers(heard.text)[0]).toMatch(/ 4\d\d$/);
    socket.destroy();
  });

  /** Answers as soon as a body begins, and reads no more of it. */
  const early: Parameters<typeof createServer>[1] = (asked, answer) => {
    if (asked.method === 'GET') return void answer.end('heard');
    asked.once('data', () => {
      asked.pause();
      answer.statusCode = 413;
      answer.end('refused');
    });
  };
  const begin = (bytes: number) => `POST / HTTP/1.1\r\nHost: x\r\nContent-Length: ${bytes}\r\n\r\n`;

  it('hears the next request where a body was read in part and then refused', async () => {
    const { socket, heard, until } = wire(await listening({}, early));
    socket.write(begin(5_000_000));
    socket.write(Buffer.alloc(5_000_000, 0x20));
    socket.write(GET);
    expect(await until(() => heard.text.endsWith('heard'), 5000)).toBe(true);
    socket.destroy();
  });

  it('is closed once more than 20 MB of a refused body have come', async () => {
    const { socket, heard, until } = wire(await listening({}, early));
    socket.write(begin(900_000_000));
    const more = setInterval(() => socket.writableLength < 4_000_000 && socket.write(Buffer.alloc(2_000_000)), 5);
    expect(await until(() => heard.closed, 8000)).toBe(true);
    clearInterval(more);
    expect(socket.bytesWritten).toBeLessThan(200_000_000);
  });

  it('is closed without a 408 where the time for a head is over and none was begun', async () => {
    const port = await listening({ idleMs: 60_000 });
    (servers[0] as Server).headersTimeout = 300;
    const { heard, until } = wire(port);
    expect(await until(() => heard.closed, 5000)).toBe(true);
    expect(heard.text).toBe('');
  });

  it('is closed when what was refused never ends', async () => {
    const port = await listening({});
    const { socket, heard, until } = wire(port);
    socket.write(
      `POST /api/logs/${NOBODY}/import HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: text/csv\r\nContent-Length: 900000000\r\n\r\n`,
    );
    const more = setInterval(() => socket.write(Buffer.alloc(2_000_000, 0x20)), 5);
    expect(await until(() => heard.closed)).toBe(true);
    clearInterval(more);
    expect(heard.text).toContain('HTTP/1.1 404');
  });
});

describe('whose silence counts', () => {
  const late: Parameters<typeof createServer>[1] = (asked, answer) => {
    asked.resume();
    asked.once('end', () => setTimeout(() => answer.end('late'), 1500));
  };

  it('not that of a client who waits for a photo’s turn or a long report', async () => {
    const port = await listening({ idleMs: 200, rateOverMs: 300 }, late);
    const { socket, heard, until } = wire(port);
    socket.write('POST / HTTP/1.1\r\nHost: x\r\nContent-Length: 4\r\n\r\nbody');
    expect(await until(() => heard.text.endsWith('late'))).toBe(true);
    expect(answers(heard.text)).toEqual(['HTTP/1.1 200']);
    socket.destroy();
  });

  it('that of a body which drips: it is given up for its rate, so that a few hold no places', async () => {
    const port = await listening({ rateOverMs: 600 }, late);
    const { socket, heard, until } = wire(port);
    socket.write('POST / HTTP/1.1\r\nHost: x\r\nContent-Length: 99999\r\n\r\n');
    const drip = setInterval(() => socket.write('x'), 50);
    const began = Date.now();
    expect(await until(() => heard.closed)).toBe(true);
    clearInterval(drip);
    expect(heard.text).toMatch(/^HTTP\/1\.1 408/);
    expect(Date.now() - began).toBeLessThan(5000);
  });

  it('that of a reader who does not take what lies ready', async () => {
    let sent: 'open' | 'closed' = 'open';
    const port = await listening({ idleMs: 300, rateOverMs: 600 }, (_asked, answer) => {
      answer.once('close', () => {
        sent = 'closed';
      });
      answer.write(Buffer.alloc(30_000_000));
    });
    const { socket, until } = wire(port);
    socket.pause();
    socket.write('GET / HTTP/1.1\r\nHost: x\r\n\r\n');
    expect(await until(() => sent === 'closed')).toBe(true);
    socket.destroy();
  });
});

describe('requests', () => {
  it('that name two hosts are refused', async () => {
    const port = await listening({});
    const { socket, heard, until } = wire(port);
    socket.write('GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\nHost: elsewhere.example\r\n\r\n');
    expect(await until(() => heard.text.includes('malformed-request'))).toBe(true);
    expect(answers(heard.text)).toEqual(['HTTP/1.1 400']);
    socket.destroy();
  });

  it.each([
    ['application/json; charset=utf-7', 415],
    ['application/json; charset=iso-8859-1', 415],
    ['application/json; charset=UTF-8', 201],
    ['application/json; charset="utf-8"', 201],
  ])('with %s are answered %d', async (type, status) => {
    const answer = await request(app)
      .post('/api/jobs')
      .set('Content-Type', type)
      .send(JSON.stringify(blankJob('Söd')));
    expect(answer.status).toBe(status);
  });

  it('whose bytes are no UTF-8 are refused, not read with holes', async () => {
    const bytes = Buffer.from(JSON.stringify(blankJob('S\xf6d')), 'latin1');
    const port = await listening({});
    const answer = await fetch(`http://127.0.0.1:${port}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: bytes,
    });
    expect(answer.status).toBe(400);
    expect((await answer.json()).detail).toContain('UTF-8');
  });
});

describe('behind proxies that are named', () => {
  const of = (proxied: ReturnType<typeof buildApp>, client: string) =>
    request(proxied).get('/api/health').set('X-Forwarded-For', client);

  it('limits count the clients, and not the proxy', async () => {
    const proxied = buildApp(pool, silent, { proxies: ['127.0.0.0/8', '::1'], requestsPerMinute: 2 });
    for (const client of ['192.0.2.1', '192.0.2.2', '192.0.2.3']) {
      await of(proxied, client).expect(200);
      await of(proxied, client).expect(200);
    }
    await of(proxied, '192.0.2.1').expect(429);
  });

  it('and nobody is believed who is not named', async () => {
    const open = buildApp(pool, silent, { requestsPerMinute: 2 });
    for (const [client, status] of [
      ['192.0.2.1', 200],
      ['192.0.2.2', 200],
      ['192.0.2.3', 429],
    ] as const)
      await of(open, client).expect(status);
  });
});

describe('places of one kind', () => {
  it('are given back once, and refused beyond their number', () => {
    const slots = new Slots(2, 'None is free.');
    const [first] = [slots.take(), slots.take()];
    expect(() => slots.take()).toThrow('None is free.');
    first();
    first();
    slots.take();
    expect(() => slots.take()).toThrow('None is free.');
  });
});
