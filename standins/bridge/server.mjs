// The bridge: a conferencing service for one machine, spoken to over HTTP (docs/bridge-protocol.md).
// It makes rooms with a link, a number and telephone numbers; nobody talks in them.
import crypto from 'node:crypto';
import fs from 'node:fs';
import http from 'node:http';
import path from 'node:path';

const folder = process.env.BRIDGE_DIR ?? 'var/bridge';
const key = process.env.BRIDGE_KEY ?? '';
const port = Number(process.env.BRIDGE_PORT ?? 2626);
const file = path.join(folder, 'rooms.json');

fs.mkdirSync(folder, { recursive: true });
/** @type {Record<string, { id: string, title: string, link: string, number: string, passcode: string, pin: string, closed: boolean }>} */
const rooms = fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : {};
const faults = { slowMs: 0, refuse: false, drop: false };

/** Numbers that the offices which give them out keep for fiction, or that no subscriber can have. */
const DIAL_INS = [
  { country: 'GB', number: '+442079460142' },
  { country: 'US', number: '+12025550142' },
  { country: 'AU', number: '+61255500142' },
];

function keep() {
  fs.writeFileSync(`${file}.new`, JSON.stringify(rooms), { mode: 0o600 });
  fs.renameSync(`${file}.new`, file);
}

const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const letters = (count) => Array.from({ length: count }, () => LETTERS[crypto.randomInt(LETTERS.length)]).join('');

function freshNumber() {
  for (;;) {
    const number = String(crypto.randomInt(200_000_000, 1_000_000_000));
    if (!Object.values(rooms).some((room) => room.number === number)) {
      return number;
    }
  }
}

const described = ({ id, title, link, number, closed }) => ({ id, title, link, number, closed, dial_ins: DIAL_INS });

function open({ title, passcode, pin }) {
  if (!/^[A-Za-z0-9]{4,32}$/.test(passcode ?? '') || !/^\d{4,12}$/.test(pin ?? '')) {
    return [422, { error: 'a room needs a passcode of letters and digits and a PIN of digits' }];
  }
  const id = letters(12);
  rooms[id] = {
    id,
    title: String(title ?? ''),
    link: `https://meet.syndex.example/j/${letters(3)}-${letters(4)}-${letters(3)}`,
    number: freshNumber(),
    passcode,
    pin,
    closed: false,
  };
  keep();
  return [201, described(rooms[id])];
}

function answer(method, pathname, asked) {
  if (pathname === '/numbers' && method === 'GET') {
    return [200, { dial_ins: DIAL_INS }];
  }
  if (pathname === '/meetings' && method === 'POST') {
    return open(asked);
  }
  const room = rooms[/^\/meetings\/([a-z0-9]+)$/.exec(pathname)?.[1] ?? ''];
  if (!room) {
    return [404, { error: 'there is no such room' }];
  }
  if (method === 'GET') {
    return [200, described(room)];
  }
  if (method === 'PATCH') {
    if (!/^[A-Za-z0-9]{4,32}$/.test(asked.passcode ?? '')) {
      return [422, { error: 'a passcode has letters and digits' }];
    }
    room.passcode = asked.passcode;
    keep();
    return [200, described(room)];
  }
  if (method === 'DELETE') {
    room.closed = true;
    keep();
    return [200, described(room)];
  }
  return [405, { error: 'this cannot be done to a room' }];
}

const server = http.createServer(async (request, response) => {
  const send = ([status, value]) => {
    response.writeHead(status, { 'Content-Type': 'application/json' });
    response.end(JSON.stringify(value));
  };
  const chunks = [];
  for await (const chunk of request) {
    chunks.push(chunk);
  }
  let asked = {};
  try {
    asked = chunks.length > 0 ? JSON.parse(Buffer.concat(chunks).toString('utf8')) : {};
  } catch {
    return send([400, { error: 'this is not JSON' }]);
  }
  if (request.headers.authorization !== `Bearer ${key}`) {
    return send([401, { error: 'the key is missing or wrong' }]);
  }
  const { pathname } = new URL(request.url ?? '/', 'http://bridge');
  if (pathname === '/faults' && request.method === 'PUT') {
    Object.assign(faults, { slowMs: 0, refuse: false, drop: false }, asked);
    return send([200, faults]);
  }
  await new Promise((done) => setTimeout(done, faults.slowMs));
  if (faults.drop) {
    return request.socket.destroy();
  }
  send(faults.refuse ? [503, { error: 'no rooms at the moment' }] : answer(request.method, pathname, asked));
});

server.listen(port, '127.0.0.1');
for (const signal of ['SIGTERM', 'SIGINT']) {
  process.on(signal, () => process.exit(0));
}
