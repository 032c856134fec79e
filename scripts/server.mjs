// The server of the built application: one process, bounded in what it takes at once. Started by serve.mjs; speaks to nobody
// but this machine.
import { EventEmitter, once } from 'node:events';
import { createServer } from 'node:http';
import { createRequire } from 'node:module';
import { parseArgs } from 'node:util';
import next from 'next';
import { ROOT } from './install.mjs';
import { pageQueue } from './pageQueue.mjs';

const HOST = '127.0.0.1';
/** Requests worked on at the same time; more are told to come back in a moment. */
const MOST_AT_ONCE = 64;
/** Pages being made at the same time: enough that one which waits for the database holds up no other. */
const PAGES_AT_ONCE = 4;
/** Open connections, most of them idle. */
const MOST_CONNECTIONS = 512;
/** A head that does not come within this, or a body, ms: whoever sends so slowly holds a place others need. */
const HEAD_MS = 10_000;
const WHOLE_MS = 60_000;

const { values } = parseArgs({ options: { port: { type: 'string' } } });
const port = Number(values.port);
// The framework adds an upgrade listener of its own to the server it is given: that is one that nobody can reach.
const app = next({ dev: false, dir: ROOT, hostname: HOST, port, httpServer: new EventEmitter() });
const handle = app.getRequestHandler();

const queued = pageQueue(PAGES_AT_ONCE);
let atOnce = 0;
const busy = JSON.stringify({
  problems: [{ where: 'Server', field: 'work', value: 'too much at once', allowed: 'try again in a moment' }],
});
const unknown = JSON.stringify({
  problems: [{ where: 'Request', field: 'method', value: 'not known', allowed: 'GET, HEAD, POST, PUT, PATCH, DELETE' }],
});
const unreadable = JSON.stringify({
  problems: [
    { where: 'Address', field: 'path', value: 'not readable', allowed: 'letters, or whole percent signs such as %20' },
  ],
});

/** Whether the percent signs of an address stand for whole letters: the framework throws on others. */
function isReadable(url) {
  try {
    decodeURIComponent(url.split('?')[0]);
    return true;
  } catch {
    return false;
  }
}
const refuse = (res, status, body, headers = {}) =>
  res.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store', ...headers }).end(body);

const server = createServer({ headersTimeout: HEAD_MS, requestTimeout: WHOLE_MS }, (req, res) => {
  // Whoever goes in the middle of sending is no fault of ours.
  req.on('error', () => {});
  if (!isReadable(req.url)) return refuse(res, 400, unreadable);
  // Files of the build cost nothing, and health must answer when nothing else does.
  if (req.url.startsWith('/_next/static/') || req.url === '/api/health') return void handle(req, res);
  // The framework's own request object throws on these before any of our code is asked.
  if (req.method === 'TRACE' || req.method === 'CONNECT' || req.method === 'TRACK') return refuse(res, 405, unknown);
  if (atOnce >= MOST_AT_ONCE) return refuse(res, 503, busy, { 'retry-after': '1' });
  atOnce++;
  res.once('close', () => atOnce--);
  if (req.method === 'GET' && !req.url.startsWith('/api/')) queued(res, () => void handle(req, res));
  else void handle(req, res);
});
server.maxConnections = MOST_CONNECTIONS;
// Nothing here speaks over web sockets. Whoever asks is told so and let go, also on paths that the framework would leave open.
server.on('upgrade', (_, socket) =>
  socket.end('HTTP/1.1 426 Upgrade Required\r\nConnection: close\r\nContent-Length: 0\r\n\r\n'),
);
server.on('clientError', (_, socket) => {
  if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\nContent-Length: 0\r\n\r\n');
});
// Weather: the service that is configured, or the simulated one that ships, on a port of its own that nobody else is told.
if (!process.env.EMBER_WEATHER) {
  const weather = createRequire(import.meta.url)('../build/weather.cjs')
    .weatherService()
    .listen(0, HOST);
  await once(weather, 'listening');
  weather.unref();
  process.env.EMBER_WEATHER_SIMULATED = '1';
  process.env.EMBER_WEATHER = `http://${HOST}:${weather.address().port}`;
}
await app.prepare();
server.listen(port, HOST);
const stop = () => {
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 2000).unref();
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);

// The first making of a page takes ten times as long as the next: it is done once before anybody asks.
await once(server, 'listening');
for (const page of ['/', '/outings', '/closet'])
  await fetch(`http://${HOST}:${port}${page}`)
    .then((answer) => answer.arrayBuffer())
    .catch(() => {});
