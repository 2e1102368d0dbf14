// The page behind a link: who one is, the passcode where it is asked for, and what becomes of one. Nobody talks here.
import crypto from 'node:crypto';
import { decide } from './door.mjs';

const escape = (text) => String(text).replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

const html = (title, body) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex">
<title>${escape(title)}</title>
<style>body{font:17px/1.5 system-ui,sans-serif;margin:0;background:#f3f4f0;color:#17202b}main{max-width:30rem;margin:3rem auto;padding:1.5rem;background:#fff;border:1px solid #d5d8d0}label{display:block;margin:.9rem 0 .2rem;font-weight:600}input{width:100%;box-sizing:border-box;font:inherit;padding:.55rem;border:1px solid #56606c;border-radius:6px}button{font:inherit;font-weight:600;margin-top:1.2rem;padding:.6rem 1.2rem;background:#17202b;color:#fff;border:0;border-radius:6px}.odd{border-left:4px solid #8a5a00;padding-left:.8rem;font-weight:600}.good{border-left:4px solid #eba91a;padding-left:.8rem;font-weight:600}</style></head>
<body><main><h1>${escape(title)}</h1>${body}</main></body></html>`;

/** What becomes of somebody, in words: of the outcome, and why. */
const OUTCOMES = {
  admitted: 'You are in. This bridge is a stand-in: nobody talks here.',
  lobby: 'You are in the lobby.',
  waits: 'You are here ahead of the host.',
  closed: 'The doors are still closed.',
  refused: 'You cannot come in.',
};
const REASONS = {
  no_host: 'It goes on when the host has come.',
  lobby: 'Somebody has to let you in.',
  too_early: 'Come again when the doors open.',
  passcode_wrong: 'The passcode is another one.',
  passcode_missing: 'A passcode is asked for.',
  country: 'People from where you are are not let in.',
  sign_in: 'Signing in is needed, and this page has no accounts.',
  not_invited: 'Only who is invited may come in. Give the address to which the invitation went.',
  locked: 'The meeting has been locked.',
  full: 'As many people are in as there are places.',
};

/** The date that goes on, or comes next. */
function dateOf({ times = [] }, now) {
  return times
    .map(({ start, minutes }) => ({ start: Date.parse(start), minutes }))
    .filter(({ start, minutes }) => start + minutes * 60_000 > now)
    .sort((a, b) => a.start - b.start)[0];
}

/** As who somebody comes who gives this address. Whoever takes somebody else's is not found out here: a bridge with accounts would. */
function whoIs({ people = [], rules = {} }, address) {
  const key = address.trim().toLowerCase();
  const person = people.find((one) => one.address.toLowerCase() === key);
  if (!person) {
    return 'stranger';
  }
  return person.as !== 'host' && (rules.coHosts ?? []).some((one) => one.toLowerCase() === key) ? 'co_host' : person.as;
}

/** Who came to which date so far, by room: forgotten when the bridge stops. */
const came = new Map();

const form = (room, given, hasPasscode) => `<form method="post">
<label for="address">Your email address</label><input id="address" name="address" type="email" autocomplete="email" maxlength="254" required value="${escape(given)}">
${room.rules?.passcode === false || hasPasscode ? '' : '<label for="passcode">Passcode</label><input id="passcode" name="passcode" autocomplete="off" maxlength="32">'}
<button>Come in</button></form>`;

const at = (seconds) => new Date(seconds).toISOString().replace(/\.\d+Z$/, 'Z');

/** @returns {Promise<[number, string]>} status and page */
export async function joinPage(room, method, query, fields) {
  if (!room || room.closed) {
    return [404, html('No meeting here', '<p>This link leads nowhere any more. Look into the latest message about the meeting.</p>')];
  }
  const now = Date.now();
  const date = dateOf(room, now);
  if (!date) {
    return [200, html(room.title, '<p>No date of this meeting lies ahead.</p>')];
  }
  const inLink = query.get('p') ?? '';
  const begins = `<p>${now < date.start ? 'Begins' : 'Began'} at ${at(date.start).slice(0, 16).replace('T', ' ')} UTC.</p>`;
  if (method !== 'POST') {
    return [200, html(room.title, begins + form(room, '', inLink !== ''))];
  }
  const address = (fields.get('address') ?? '').slice(0, 254);
  const seen = came.get(room.id);
  const list = seen?.start === date.start ? seen.list : [];
  const arrival = {
    id: crypto.createHash('sha256').update(address.trim().toLowerCase()).digest('hex').slice(0, 16),
    at: at(now),
    who: whoIs(room, address),
    way: 'link',
    signed_in: false,
    country: null,
    passcode: inLink || (fields.get('passcode') ?? '').trim(),
  };
  const all = [...list, arrival];
  const [status, said] = await decide(room, { start: at(date.start), duration: date.minutes, arrivals: all });
  if (status !== 200) {
    return [500, html(room.title, '<p class="odd">This could not be decided. Try again.</p>')];
  }
  came.set(room.id, { start: date.start, list: all.slice(-200) });
  const { outcome, reason } = said.decisions.at(-1);
  const words = `<p class="${outcome === 'admitted' ? 'good' : 'odd'}" role="status" data-outcome="${outcome}" data-reason="${reason}">${escape(OUTCOMES[outcome])} ${escape(outcome === 'admitted' ? '' : (REASONS[reason] ?? ''))}</p>`;
  return [
    200,
    html(room.title, begins + words + (outcome === 'admitted' ? '' : form(room, address, inLink !== '' && reason !== 'passcode_wrong'))),
  ];
}
