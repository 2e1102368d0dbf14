import type { TFunction } from 'i18next';
import '../lib/i18nRoom';
import type { Group, Room, Settings, SomeSettings, Stretch } from './room';

/** The choices of whom the lobby holds, as one word each. */
export const LOBBIES = ['none', 'guests', 'not_signed_in', 'both', 'everyone'] as const;
export type Lobby = (typeof LOBBIES)[number];

export const lobbyOf = (held: Settings['lobby']): Lobby =>
  held.includes('everyone') ? 'everyone' : held.length > 1 ? 'both' : (held[0] ?? 'none');

export const heldBy = (lobby: Lobby): Settings['lobby'] =>
  lobby === 'none' ? [] : lobby === 'both' ? ['guests', 'not_signed_in'] : [lobby];

/** What becomes of whoever comes then. */
export function stretchWords(t: TFunction, { outcome, reason }: Stretch): string {
  switch (outcome) {
    case 'admitted':
      return t(reason === 'host' ? 'entryRules.picture.host_in' : 'entryRules.picture.in');
    case 'lobby':
      return t(reason === 'no_host' ? 'entryRules.picture.lobbyNoHost' : 'entryRules.picture.lobby');
    case 'waits':
      return t('entryRules.picture.waits');
    case 'closed':
      return t('entryRules.picture.closed');
    default:
      return t(`entryRules.picture.refused.${reason}`);
  }
}

/** "outside guest, Bolivia" */
export function aboutWords(t: TFunction, { who, signedIn, country, stretches }: Group): string {
  const about =
    who === 'stranger'
      ? t('entryRules.picture.strangerAbout')
      : t(`entryRules.picture.about.${who === 'colleague' && !signedIn ? 'colleagueOut' : who}`);
  // Where somebody is matters where it is a reason.
  return country && stretches.some(({ reason }) => reason === 'country') ? t('entryRules.picture.from', { about, country }) : about;
}

/** One sentence on the sheet. */
export const summaryWords = (t: TFunction, settings: Pick<Settings, 'doors' | 'lobby'>): string =>
  t('entryRules.summary', {
    doors: t('entryRules.summaryDoors', { count: settings.doors }),
    lobby: t(`entryRules.summaryLobby.${lobbyOf(settings.lobby)}`),
  });

/** What a press would change, where settings do not go together. */
export function wayWords(t: TFunction, way: SomeSettings, facts: Record<string, string | number>): string {
  if (way.signIn === false) {
    return t(way.lobby ? 'entryRules.way.signInLobby' : 'entryRules.way.signInOff');
  }
  if (way.beforeHost !== undefined) {
    return t('entryRules.way.beforeHostLobby');
  }
  if (way.lobby !== undefined) {
    return t('entryRules.way.lobbyNobody');
  }
  if (way.lock !== undefined) {
    return way.lock === null ? t('entryRules.way.lockNever') : t('entryRules.way.lock', { count: way.lock });
  }
  if (way.capacity !== undefined) {
    return way.capacity === null ? t('entryRules.way.capacityNone') : t('entryRules.way.capacity', { count: way.capacity });
  }
  if (way.countries !== undefined) {
    return way.countries === null && facts['setting'] === undefined
      ? t('entryRules.way.allCountries')
      : facts['setting'] === undefined
        ? t('entryRules.way.letCountry', { place: facts['place'] ?? '' })
        : t('entryRules.way.without');
  }
  return t('entryRules.way.without');
}

/** What the clock of the meeting shows so many minutes from its start, "15:20". */
export const clockAt = ({ clocks }: Pick<Room, 'clocks'>, minutes: number): string => clocks.shown[minutes - clocks.from] ?? '';
