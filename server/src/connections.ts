import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import type { Socket } from 'node:net';

/** Connections of one address at a time, and of all. */
const CONNECTIONS_EACH = 200;
const CONNECTIONS = 1000;
/** ms for the head of a request; for all of a request; without a byte of what the client has to send or to take. */
const HEAD_MS = 8000;
const REQUEST_MS = 120_000;
const IDLE_MS = 8000;
/** ms between two requests: longer than a proxy's usual 60 s, so that it is never the server that closes first. */
const KEEP_ALIVE_MS = 75_000;
/** ms over which the rate of a body or of an answer is judged, and the least of it, bytes a second. */
const RATE_OVER_MS = 10_000;
const LEAST_RATE = 1000;
/** Bytes of a refused body that are still taken in, so that the connection can be used again; then it is closed. */
const MOST_DRAINED = 20 * 1_048_576;

export interface ConnectionLimits {
  readonly idleMs?: number;
  readonly rateOverMs?: number;
  /** Addresses of proxies, which carry many clients: they may hold as many connections as there are. */
  readonly isProxy?: (address: string) => boolean;
}

/** A request under way, and what had come and gone when it was last looked at. */
interface Exchange {
  readonly request: IncomingMessage;
  readonly response: ServerResponse;
  lookedMs: number;
  read: number;
  sent: number;
}

/**
 * Ends what dawdles and holds no more connections of one address than its share. Only the client's silence counts: a
 * photo that waits for its turn and a long report are waited for, by limits of their own.
 */
export function limitConnections(
  server: Server,
  { idleMs = IDLE_MS, rateOverMs = RATE_OVER_MS, isProxy = () => false }: ConnectionLimits = {},
): void {
  server.headersTimeout = HEAD_MS;
  server.requestTimeout = REQUEST_MS;
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.maxConnections = CONNECTIONS;
  const exchanges = new Map<Socket, Exchange>();
  /** Bytes that had come when the last request ended: with no more of them a connection has nothing to be answered. */
  const settled = new WeakMap<Socket, number>();

  server.prependListener('request', (request: IncomingMessage, response: ServerResponse) => {
    const { socket } = request;
    const exchange = { request, response, lookedMs: Date.now(), read: socket.bytesRead, sent: socket.bytesWritten };
    exchanges.set(socket, exchange);
    response.once('finish', () => drain(request));
    const end = (): void => {
      if (!response.writableFinished && !response.destroyed) return;
      if (!request.complete && !socket.destroyed) return;
      settled.set(socket, socket.bytesRead);
      if (exchanges.get(socket) === exchange) exchanges.delete(socket);
    };
    for (const event of ['finish', 'close'] as const) response.once(event, end);
    for (const event of ['end', 'close'] as const) request.once(event, end);
  });

  server.setTimeout(idleMs, (socket) => {
    const exchange = exchanges.get(socket);
    // Between two requests: closed without a word, since none was asked for.
    if (!exchange) socket.destroy();
    else if (isWaitedFor(exchange)) refuseLate(socket, exchange);
    else socket.setTimeout(idleMs);
  });

  const look = setInterval(() => {
    const now = Date.now();
    for (const [socket, exchange] of exchanges) {
      if (now - exchange.lookedMs < rateOverMs) continue;
      const [read, sent] = [socket.bytesRead - exchange.read, sentOf(socket) - exchange.sent];
      const least = (LEAST_RATE * (now - exchange.lookedMs)) / 1000;
      if (isWaitedFor(exchange) && read + sent < least) refuseLate(socket, exchange);
      Object.assign(exchange, { lookedMs: now, read: socket.bytesRead, sent: sentOf(socket) });
    }
  }, rateOverMs / 5);
  look.unref();
  server.once('close', () => clearInterval(look));

  server.on('clientError', (error: NodeJS.ErrnoException, socket: Socket) => {
    // Nothing was asked since the last answer: a 408 would answer the next request before it is made.
    if (!socket.writable || socket.bytesRead === (settled.get(socket) ?? 0)) socket.destroy();
    else socket.end(`HTTP/1.1 ${STATUS[error.code ?? ''] ?? '400 Bad Request'}\r\n${NO_MORE}`);
  });

  const open = new Map<string, number>();
  server.on('connection', (socket: Socket) => {
    const address = socket.remoteAddress ?? '';
    const held = (open.get(address) ?? 0) + 1;
    open.set(address, held);
    socket.once('close', () => {
      exchanges.delete(socket);
      const left = (open.get(address) ?? 1) - 1;
      if (left > 0) open.set(address, left);
      else open.delete(address);
    });
    if (held > CONNECTIONS_EACH && !isProxy(address)) socket.destroy();
  });
}

const NO_MORE = 'Connection: close\r\nContent-Length: 0\r\n\r\n';
const STATUS: Readonly<Record<string, string>> = {
  ERR_HTTP_REQUEST_TIMEOUT: '408 Request Timeout',
  HPE_HEADER_OVERFLOW: '431 Request Header Fields Too Large',
  HPE_CHUNK_EXTENSIONS_OVERFLOW: '413 Payload Too Large',
};

/** Whether it is the client's turn: to send more of a body that is being read, or to take what lies ready for it. */
function isWaitedFor({ request, response }: Exchange): boolean {
  const isSending = !request.complete && request.readableLength === 0;
  return isSending || (response.writableLength > 0 && response.headersSent);
}

/** Bytes that have left: what is written and still lies in the socket's own queue has not. */
const sentOf = (socket: Socket): number => socket.bytesWritten - socket.writableLength;

function refuseLate(socket: Socket, { response }: Exchange): void {
  if (response.headersSent) socket.destroy();
  else {
    socket.write(`HTTP/1.1 408 Request Timeout\r\n${NO_MORE}`);
    socket.destroySoon();
  }
}

/**
 * Takes in what is still sent of a body that was answered early, so that the next request on the connection is heard;
 * of an endless one the connection is closed.
 */
function drain(request: IncomingMessage): void {
  if (request.complete) return;
  const from = request.socket.bytesRead;
  request.on('data', () => {
    if (request.socket.bytesRead - from > MOST_DRAINED) request.socket.destroy();
  });
  request.resume();
}
