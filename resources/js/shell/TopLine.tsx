import { Suspense, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, NavLink } from 'react-router';
import { clock, dateOf, daysBetween, wallAt } from '../lib/time';
import { useNow } from '../lib/useNow';
import type { Clock, Session } from '../people/session';
import { loadOwnMenu, OwnMenu } from './pages';

const ROOMS = [
  { to: '/', word: 'room.today', plans: false },
  { to: '/meetings', word: 'room.meetings', plans: false },
  { to: '/people', word: 'room.people', plans: true },
  { to: '/blueprints', word: 'room.blueprints', plans: true },
  { to: '/sent', word: 'room.sent', plans: true },
  { to: '/house-rules', word: 'room.houseRules', plans: true },
];

const offsetNow = (c: Clock, now: number) =>
  c.changes.reduce((offset, change) => (Date.parse(change.at) <= now ? change.offset : offset), c.offset);

/** The dark line across the top of every page. */
export function TopLine({ session, openPalette, openSettings }: { session: Session; openPalette: () => void; openSettings: () => void }) {
  const { t } = useTranslation();
  const now = useNow(5);
  const account = session.account;
  const clocks = session.clocks ?? [];
  const here = clocks[0] ? wallAt(now, offsetNow(clocks[0], now)) : '';
  return (
    <div className="on-top no-print flex min-h-11 flex-wrap items-center gap-x-6 bg-top px-5 text-on-top">
      <Link to="/" className="wide pt-2 font-bold md:pt-0">
        Syndex
      </Link>
      <nav aria-label={t('room.label')} className="flex flex-wrap gap-x-5">
        {ROOMS.filter((room) => !room.plans || account?.plans).map((room) => (
          <NavLink
            key={room.to}
            to={room.to}
            end={room.to === '/'}
            className={({ isActive }) =>
              `border-b-2 py-2.5 ${isActive ? 'border-sun font-semibold text-white' : 'border-transparent text-on-top hover:text-white'}`
            }
          >
            {t(room.word)}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex flex-wrap items-center gap-x-4 py-1.5 text-on-top-muted">
        <div className="hidden gap-4 md:flex" aria-label={t('clocks.label')} role="group">
          {clocks.map((c) => {
            const wall = wallAt(now, offsetNow(c, now));
            const days = daysBetween(here, wall);
            return (
              <span key={c.zone}>
                {c.city} <strong className="font-semibold text-white">{clock(wall)}</strong>
                {dateOf(wall) !== dateOf(here) && <sup className="text-white">{days > 0 ? `+${days}` : `−${-days}`}</sup>}
              </span>
            );
          })}
        </div>
        {session.next && <Next next={session.next} now={now} />}
        <button type="button" onClick={openPalette} className="min-h-6 rounded border border-on-top-muted px-1.5 text-note text-on-top">
          <span className="sr-only">{t('palette.title')} </span>
          <span className="for-keys">Ctrl K</span>
          <span className="for-fingers">{t('palette.find')}</span>
        </button>
        {account && <Me session={session} openSettings={openSettings} />}
      </div>
    </div>
  );
}

function Next({ next, now }: { next: { id: string; title: string; startsAt: string }; now: number }) {
  const { t } = useTranslation();
  const minutes = Math.round((Date.parse(next.startsAt) - now) / 60000);
  if (minutes < 0) {
    return null;
  }
  return (
    <Link to={`/meetings/${next.id}`} className="hidden border-l border-on-top-muted/40 pl-4 font-semibold text-sun lg:inline">
      {t('next.inTime', {
        title: next.title,
        time:
          minutes < 60
            ? t('next.minutes', { count: minutes })
            : t('next.hours', { hours: Math.floor(minutes / 60), minutes: minutes % 60 }),
      })}
    </Link>
  );
}

/** The initials of whoever is signed in; their menu comes when it is first asked for. */
function Me({ session, openSettings }: { session: Session; openSettings: () => void }) {
  const { t } = useTranslation();
  const [asked, setAsked] = useState(false);
  const name = session.account?.name ?? '';
  const initials = name
    .split(/\s+/)
    .map((word) => word[0])
    .join('')
    .slice(0, 2);
  const label = t('me.label', { initials, name });
  const closed = (
    <button
      type="button"
      className="tight min-h-6 min-w-6 rounded px-1 font-semibold text-on-top"
      aria-label={label}
      aria-haspopup="menu"
      aria-expanded={false}
      onPointerEnter={() => void loadOwnMenu()}
      onFocus={() => void loadOwnMenu()}
      onClick={() => setAsked(true)}
    >
      {initials}
    </button>
  );
  return asked ? (
    <Suspense fallback={closed}>
      <OwnMenu session={session} initials={initials} label={label} openSettings={openSettings} />
    </Suspense>
  ) : (
    closed
  );
}
