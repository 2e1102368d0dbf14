import { expect, it } from 'vitest';
import { i18next } from '../lib/i18n';
import type { Group, Stretch } from './room';
import { aboutWords, heldBy, LOBBIES, lobbyOf, stretchWords, summaryWords, wayWords } from './words';

const { t } = i18next;

it('keeps whom the lobby holds, through its one word and back', () => {
  expect(LOBBIES.map((lobby) => lobbyOf(heldBy(lobby)))).toEqual([...LOBBIES]);
  expect(lobbyOf(['everyone', 'guests'])).toBe('everyone');
});

it.each<[Partial<Stretch>, string]>([
  [{ outcome: 'admitted', reason: 'host' }, 'comes in, opens the meeting'],
  [{ outcome: 'admitted', reason: 'open' }, 'comes in'],
  [{ outcome: 'lobby', reason: 'no_host' }, 'lobby until the host comes'],
  [{ outcome: 'lobby', reason: 'lobby' }, 'lobby until let in'],
  [{ outcome: 'waits', reason: 'no_host' }, 'outside until the host comes'],
  [{ outcome: 'closed', reason: 'too_early' }, 'closed'],
  ...(
    [
      ['country', 'refused: this country may not'],
      ['sign_in', 'refused: has to sign in'],
      ['not_invited', 'refused: only who is invited'],
      ['locked', 'locked'],
      ['full', 'full'],
      ['passcode_wrong', 'refused: wrong passcode'],
      ['passcode_missing', 'refused: no passcode'],
    ] as const
  ).map(([reason, words]): [Partial<Stretch>, string] => [{ outcome: 'refused', reason }, words]),
])('says of %o: %s', (stretch, words) => {
  expect(stretchWords(t, { from: 0, until: 5, outcome: 'closed', reason: '', ...stretch })).toBe(words);
});

it('says where somebody is only where it is a reason', () => {
  const group: Group = { people: ['a'], who: 'guest', signedIn: false, country: 'Bolivia', stretches: [] };
  expect(aboutWords(t, group)).toBe('outside guest');
  expect(aboutWords(t, { ...group, stretches: [{ from: 0, until: 5, outcome: 'refused', reason: 'country' }] })).toBe(
    'outside guest, Bolivia',
  );
  expect(aboutWords(t, { ...group, who: 'colleague' })).toBe('colleague, not signed in');
});

it('sums a room up in a sentence', () => {
  expect(summaryWords(t, { doors: 0, lobby: [] })).toBe('Doors open at the start; nobody waits in the lobby.');
  expect(summaryWords(t, { doors: 1, lobby: ['guests', 'not_signed_in'] })).toBe(
    'Doors open 1 minute ahead; outside guests and who has not signed in wait in the lobby.',
  );
});

it.each([
  [{ signIn: false }, {}, 'No signing in'],
  [{ signIn: false, lobby: ['not_signed_in' as const] }, {}, 'No signing in, they wait in the lobby'],
  [{ countries: { refuse: ['PT'] } }, { place: 'Bolivia' }, 'Let Bolivia in'],
  [{ countries: null }, { place: 'Bolivia' }, 'Let all countries in'],
  [{ countries: null }, { setting: 'countries' }, 'Without it'],
  [{ recording: false }, { setting: 'recording' }, 'Without it'],
  [{ lock: 15 }, {}, 'Lock after 15 minutes'],
  [{ lock: null }, {}, 'Do not lock'],
  [{ capacity: 10 }, {}, 'Room for 10 people'],
  [{ capacity: null }, {}, 'No limit'],
  [{ lobby: [] }, {}, 'No lobby'],
  [{ beforeHost: 'lobby' as const }, {}, 'Everybody waits until the host comes'],
])('names what %o would change', (way, facts, words) => {
  expect(wayWords(t, way, facts)).toBe(words);
});
