// The bridge: a conferencing service for one machine, spoken to over HTTP (docs/bridge-protocol.md).
// It makes rooms with a link, a number and telephone numbers, under the rules it is given; nobody talks in them.
import crypto from 'node:crypto';
import fs from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import { decide } from './door.mjs';
import { ACCOUNTS, DIAL_INS } from './offers.mjs';
import { joinPage } from './page.mjs';

const folder = process.env.BRIDGE_DIR ?? 'var/bridge';
const key = process.env.BRIDGE_KEY ?? '';
const port = Number(process.env.BRIDGE_PORT ?? 2626);
const file = path.join(folder, 'rooms.json');

fs.mkdirSync(folder, { recursive: true });
/** Rooms by the name that was chosen for them. @type {Record<string, { id: string, title: string, link: string, number: string, passcode: string, pin: string, closed: boolean, rules?: object, account?: string, address?: string, dead?: string[], people?: object[], times?: object[] }>} */
const rooms = readRooms();
const NO_FAULTS = { slowMs: 0, lateMs: 0, refuse: false, drop: false, dropAfter: false };
const faults = { ...NO_FAULTS };

/** A file that a crash left half written is put aside, not died of. */
function readRooms() {
  try {
    const read = JSON.parse(fs.readFileSync(file, 'utf8'));
    if (read === null || typeof read !== 'object' || Array.isArray(read)) {
      throw new Error('no rooms');
    }
    return read;
  } catch (error) {
    if (error.code !== 'ENOENT') {
      fs.renameSync(file, `${file}.unreadable`);
      console.error('rooms.json could not be read and was put aside');
    }
    return {};
  }
}

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

const described = ({ id, title, link, passcode, number, closed, rules, account }) => ({
  id,
  title,
  link,
  open_link: `${link}?p=${passcode}`,
  number,
  closed,
  rules: rules ?? {},
  account: account ?? ACCOUNTS[0].id,
  dial_ins: DIAL_INS,
});

const freshLink = () => `https://meet.syndex.example/j/${letters(3)}-${letters(4)}-${letters(3)}`;

/** Whether an address is another room's, or was any room's: an old link leads nowhere for good. */
const isTaken = (address, ref) =>
  Object.entries(rooms).some(([other, room]) => (other !== ref && room.address === address) || (room.dead ?? []).includes(address));

/** Opens the room with this name, or gives the one that is there what was asked. */
function settle(ref, { title, passcode, pin, rules, account, address, people, times }) {
  if (!/^[A-Za-z0-9]{4,32}$/.test(passcode ?? '') || !/^\d{4,12}$/.test(pin ?? '')) {
    return [422, { error: 'a room needs a passcode of letters and digits and a PIN of digits' }];
  }
  const chosen = ACCOUNTS.find(({ id }) => id === (account ?? ACCOUNTS[0].id));
  if (!chosen) {
    return [422, { error: 'there is no such account' }];
  }
  if (rules !== undefined && (rules === null || typeof rules !== 'object' || Array.isArray(rules))) {
    return [422, { error: 'rules are an object, a setting a key' }];
  }
  if (address !== undefined && address !== null && !/^[a-z0-9][a-z0-9-]{1,38}[a-z0-9]$/.test(address)) {
    return [422, { error: 'an address is of small letters, digits and hyphens' }];
  }
  if (address && isTaken(address, ref)) {
    return [409, { error: 'this address is taken' }];
  }
  if (![people ?? [], times ?? []].every((list) => Array.isArray(list) && list.every((one) => one !== null && typeof one === 'object'))) {
    return [422, { error: 'people and times are lists of objects' }];
  }
  const known = {
    people: (people ?? []).map(({ address: mail, as }) => ({ address: String(mail), as: String(as) })),
    times: (times ?? []).map(({ start, minutes }) => ({ start: String(start), minutes: Number(minutes) })),
  };
  const settled = { title: String(title ?? ''), passcode, pin, rules: rules ?? {}, account: chosen.id, ...known };
  const there = Object.hasOwn(rooms, ref) ? rooms[ref] : undefined;
  const linked = (address) => (address ? `https://meet.syndex.example/r/${address}` : freshLink());
  const dead = [...(there?.dead ?? []), ...(there?.address && there.address !== (address ?? undefined) ? [there.address] : [])];
  if (there && !there.closed) {
    if ((address ?? null) !== (there.address ?? null)) {
      Object.assign(there, { link: linked(address), address: address ?? undefined, dead });
    }
    Object.assign(there, settled);
    keep();
    return [200, described(there)];
  }
  rooms[ref] = {
    id: letters(12),
    ...settled,
    link: linked(address),
    ...(address ? { address } : {}),
    ...(dead.length > 0 ? { dead } : {}),
    number: freshNumber(),
    closed: false,
  };
  keep();
  return [201, described(rooms[ref])];
}

function answer(method, pathname, asked) {
  if (pathname === '/numbers' && method === 'GET') {
    return [200, { dial_ins: DIAL_INS }];
  }
  if (pathname === '/accounts' && method === 'GET') {
    return [200, { accounts: ACCOUNTS }];
  }
  const [, ref = '', door] = /^\/rooms\/([A-Za-z0-9-]{1,80})(\/arrivals)?$/.exec(pathname) ?? [];
  if (ref !== '' && !door && method === 'PUT') {
    return settle(ref, asked);
  }
  const room = Object.hasOwn(rooms, ref) ? rooms[ref] : undefined;
  if (!room) {
    return [404, { error: 'there is no such room' }];
  }
  if (door) {
    return method === 'POST' && !room.closed ? decide(room, asked) : [405, { error: 'nobody comes here' }];
  }
  if (method === 'GET') {
    return [200, described(room)];
  }
  if (method === 'DELETE') {
    room.closed = true;
    keep();
    return [200, described(room)];
  }
  return [405, { error: 'this cannot be done to a room' }];
}

const MOST_OCTETS = 2_000_000;

async function octetsOf(request) {
  const chunks = [];
  let octets = 0;
  for await (const chunk of request) {
    octets += chunk.length;
    if (octets > MOST_OCTETS) {
      throw new Error('too much');
    }
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

async function asked(request) {
  const text = await octetsOf(request);
  const value = text !== '' ? JSON.parse(text) : {};
  if (value === null || typeof value !== 'object') {
    throw new Error('no object');
  }
  return Array.isArray(value) ? {} : value;
}

/** The pages behind links need no key: whoever has the link may look. */
async function page(request, response) {
  const { pathname, searchParams } = new URL(request.url ?? '/', 'http://bridge');
  const room = Object.values(rooms).find(({ link }) => link.endsWith(pathname));
  const fields = new URLSearchParams(request.method === 'POST' ? await octetsOf(request) : '');
  const [status, text] = await joinPage(room, request.method, searchParams, fields);
  response.writeHead(status, {
    'Content-Type': 'text/html; charset=utf-8',
    'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'",
    'Referrer-Policy': 'no-referrer',
    'Cache-Control': 'no-store',
  });
  response.end(text);
}

async function serve(request, send) {
  let body;
  try {
    body = await asked(request);
  } catch {
    return send([400, { error: 'this is not JSON' }]);
  }
  if (request.headers.authorization !== `Bearer ${key}`) {
    return send([401, { error: 'the key is missing or wrong' }]);
  }
  // "//" is no path that a URL could have after its host.
  const pathname = (request.url ?? '/').split('?')[0];
  if (pathname === '/faults' && request.method === 'PUT') {
    const { forget, ...switched } = body;
    Object.assign(faults, NO_FAULTS, switched);
    if (typeof forget === 'string' && Object.hasOwn(rooms, forget)) {
      delete rooms[forget];
      keep();
    }
    return send([200, faults]);
  }
  await new Promise((done) => setTimeout(done, faults.slowMs));
  if (faults.drop) {
    return request.socket.destroy();
  }
  const said = faults.refuse ? [503, { error: 'no rooms at the moment' }] : await answer(request.method, pathname, body);
  await new Promise((done) => setTimeout(done, faults.lateMs));
  return faults.dropAfter ? request.socket.destroy() : send(said);
}

const server = http.createServer((request, response) => {
  const send = ([status, value]) => {
    response.writeHead(status, { 'Content-Type': 'application/json' });
    response.end(JSON.stringify(value));
  };
  request.on('error', () => response.destroy());
  const isPage = /^\/[jr]\/[a-z0-9-]{1,60}(\?|$)/.test(request.url ?? '') && ['GET', 'POST'].includes(request.method ?? '');
  (isPage ? page(request, response) : serve(request, send)).catch((error) => {
    console.error('request:', error.message);
    if (response.headersSent) {
      response.destroy();
    } else {
      send([500, { error: 'this could not be done' }]);
    }
  });
});
server.on('clientError', (error, socket) => socket.destroy());

server.listen(port, '127.0.0.1');
for (const signal of ['SIGTERM', 'SIGINT']) {
  process.on(signal, () => process.exit(0));
}
