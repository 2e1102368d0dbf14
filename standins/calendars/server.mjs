// Calendars of the outside world: a feed for whoever is asked for, over HTTP (RFC 5545, RFC 9110). What somebody has is made up of
// their name, so that it is the same each time; PUT lays another calendar in its place, POST /faults makes a feed misbehave.
import crypto from 'node:crypto';
import fs from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import zlib from 'node:zlib';
import { madeUp } from './madeUp.mjs';

const port = Number(process.env.CALENDARS_PORT ?? 2727);
const folder = process.env.CALENDARS_DIR ?? 'var/calendars';
const MOST = 30_000_000;
fs.mkdirSync(folder, { recursive: true });

const fileOf = (name) => path.join(folder, `${name}.ics`);

/** What was laid in the place of a calendar; null: nothing. */
function laid(name) {
  try {
    return fs.readFileSync(fileOf(name));
  } catch {
    return null;
  }
}
/** @type {Map<string, string>} */
const faults = new Map();
let asked = 0;

const etagOf = (body) => `"${crypto.createHash('sha256').update(body).digest('hex').slice(0, 24)}"`;

async function bodyOf(request) {
  const pieces = [];
  let size = 0;
  for await (const piece of request) {
    size += piece.length;
    if (size > MOST) {
      throw new Error('too large');
    }
    pieces.push(piece);
  }
  return Buffer.concat(pieces);
}

/** What goes wrong, each written straight onto the line where a server of good manners would not let it through. */
const MISBEHAVIOUR = {
  slow: (socket, body) => {
    socket.write(`HTTP/1.1 200 OK\r\nContent-Type: text/calendar\r\nContent-Length: ${body.length}\r\n\r\n`);
    let at = 0;
    const timer = setInterval(() => {
      socket.write(body.subarray(at, at + 1));
      at += 1;
    }, 500);
    socket.on('close', () => clearInterval(timer));
  },
  silent: () => {},
  cut_off: (socket, body) => {
    socket.end(
      Buffer.concat([Buffer.from(`HTTP/1.1 200 OK\r\nContent-Length: ${body.length}\r\n\r\n`), body.subarray(0, body.length >> 1)]),
    );
  },
  cut_off_chunk: (socket, body) => {
    socket.end(
      Buffer.concat([
        Buffer.from(`HTTP/1.1 200 OK\r\nTransfer-Encoding: chunked\r\n\r\n${body.length.toString(16)}\r\n`),
        body.subarray(0, body.length >> 1),
      ]),
    );
  },
  no_length: (socket, body) => {
    socket.end(Buffer.concat([Buffer.from('HTTP/1.0 200 OK\r\n\r\n'), body.subarray(0, body.length >> 1)]));
  },
  short_length: (socket, body) => {
    socket.end(Buffer.concat([Buffer.from(`HTTP/1.1 200 OK\r\nContent-Length: ${body.length >> 1}\r\n\r\n`), body]));
  },
  drop: (socket) => socket.destroy(),
  garbage: (socket) => socket.end('what is this\r\n\r\n'),
  bomb: (socket) => {
    // A hundred megabytes of nothing in a hundred kilobytes.
    const packed = zlib.gzipSync(Buffer.alloc(100_000_000, 'X'));
    socket.end(
      Buffer.concat([Buffer.from(`HTTP/1.1 200 OK\r\nContent-Encoding: gzip\r\nContent-Length: ${packed.length}\r\n\r\n`), packed]),
    );
  },
  bad_gzip: (socket, body) => {
    socket.end(Buffer.concat([Buffer.from(`HTTP/1.1 200 OK\r\nContent-Encoding: gzip\r\nContent-Length: ${body.length}\r\n\r\n`), body]));
  },
  huge: (socket) => {
    const line = Buffer.from(`${'X-NOTHING:'.padEnd(70, 'x')}\r\n`.repeat(15_000));
    socket.write('HTTP/1.1 200 OK\r\nConnection: close\r\n\r\nBEGIN:VCALENDAR\r\n');
    let left = 30;
    const more = () => {
      while (left > 0) {
        left -= 1;
        if (!socket.write(line)) {
          socket.once('drain', more);
          return;
        }
      }
      socket.end('END:VCALENDAR\r\n');
    };
    more();
  },
};

const server = http.createServer(async (request, response) => {
  const url = new URL(request.url ?? '/', 'http://127.0.0.1');
  const feed = /^\/feeds\/([A-Za-z0-9._-]{1,80})\.ics$/.exec(url.pathname)?.[1];
  try {
    if (url.pathname === '/asked') {
      response.writeHead(200, { 'Content-Type': 'application/json' }).end(JSON.stringify({ asked }));
    } else if (url.pathname === '/faults' && request.method === 'POST') {
      const { name, fault } = JSON.parse((await bodyOf(request)).toString('utf8'));
      if (fault) {
        faults.set(String(name), String(fault));
      } else {
        faults.delete(String(name));
      }
      response.writeHead(204).end();
    } else if (feed && request.method === 'PUT') {
      fs.writeFileSync(`${fileOf(feed)}.new`, await bodyOf(request), { mode: 0o600 });
      fs.renameSync(`${fileOf(feed)}.new`, fileOf(feed));
      response.writeHead(204).end();
    } else if (feed && request.method === 'GET') {
      asked += 1;
      give(request, response, feed, url.searchParams);
    } else {
      response.writeHead(404, { 'Content-Type': 'text/plain' }).end('no such calendar\n');
    }
  } catch {
    if (!response.headersSent) {
      response.writeHead(400).end();
    }
  }
});

function give(request, response, name, asks) {
  const body = laid(name) ?? Buffer.from(madeUp(name, new Date()));
  const fault = faults.get(name) ?? asks.get('fault') ?? '';
  if (fault in MISBEHAVIOUR && request.socket) {
    MISBEHAVIOUR[fault](request.socket, body);
    return;
  }
  if (/^[1-5]\d\d$/.test(fault)) {
    response.writeHead(Number(fault)).end();
    return;
  }
  if (fault.startsWith('redirect:')) {
    response.writeHead(302, { Location: fault.slice('redirect:'.length) }).end();
    return;
  }
  const etag = etagOf(body);
  if (request.headers['if-none-match'] === etag) {
    response.writeHead(304, { ETag: etag }).end();
    return;
  }
  const headers = { 'Content-Type': 'text/calendar; charset=utf-8', ETag: etag };
  if (/\bgzip\b/.test(request.headers['accept-encoding'] ?? '')) {
    response.writeHead(200, { ...headers, 'Content-Encoding': 'gzip' }).end(zlib.gzipSync(body));
  } else {
    response.writeHead(200, headers).end(body);
  }
}

server.on('clientError', (_, socket) => socket.destroy());
server.listen(port, '127.0.0.1');
