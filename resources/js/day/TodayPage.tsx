import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { ApiError } from '../lib/api';
import { clock, dateOf, longDate, plusMinutes, shortDate, weekday } from '../lib/time';
import { sendAgain } from '../invitations/dispatches';
import { startMeeting } from '../planning/meetings';
import { useCopying } from '../planning/useCopying';
import { usePlans, useSession } from '../people/session';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { useNow } from '../lib/useNow';
import { noteAway, noteClash, noteMoves, todayQuery, type DayRow, type Need } from './today';

/** Home: the day from top to bottom, and beside it what needs somebody. */
export function TodayPage() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const plans = usePlans();
  const { data, error, refetch } = useQuery(todayQuery(params.get('day') ?? ''));
  const start = useMutation({ mutationFn: () => startMeeting(), onSuccess: (meeting) => navigate(`/meetings/${meeting.id}/plan`) });
  const now = useNow(20);
  if (error) {
    return (
      <div className="p-5">
        <ErrorNote error={error} retry={() => void refetch()} />
      </div>
    );
  }
  if (!data) {
    return null;
  }
  const isToday = data.day === data.today;
  const go = (days: number) => setParams({ day: dateOf(plusMinutes(`${data.day}T12:00:00`, days * 1440)) });
  const passed = data.meetings.findIndex((meeting) => !meeting.allDay && Date.parse(meeting.startsAt) > now);
  const nowAt = passed === -1 ? data.meetings.length : passed;

  return (
    <Page
      title={t('room.today')}
      heading={t('today.heading', { date: longDate(data.day), city: data.zoneCity })}
      aside={
        <div className="flex flex-wrap items-center gap-2.5">
          <Button small onClick={() => go(-1)}>
            {t('today.before')}
          </Button>
          {!isToday && (
            <Button small onClick={() => setParams({})}>
              {t('room.today')}
            </Button>
          )}
          <Button small onClick={() => go(1)}>
            {t('today.after')}
          </Button>
          {plans && (
            <Link to="/now" className="rounded-md border border-ink bg-sheet px-4 py-2 font-semibold">
              {t('now.open')}
            </Link>
          )}
          {plans && (
            <Button look="main" disabled={start.isPending} onClick={() => start.mutate()}>
              {t('meetings.plan')}
            </Button>
          )}
        </div>
      }
    >
      <div className="flex flex-1 flex-col md:flex-row">
        <main className="min-w-0 flex-1 px-5 pb-10">
          {data.meetings.length === 0 && <p className="max-w-md py-10 text-muted">{t(plans ? 'today.empty' : 'today.emptyColleague')}</p>}
          <ol>
            {data.meetings.map((meeting, index) => (
              <DayItem
                key={`${meeting.meetingId}${meeting.startsAt}`}
                meeting={meeting}
                day={data.day}
                nowLine={isToday && index === nowAt}
                nowClock={clockOf(now, meeting)}
              />
            ))}
          </ol>
        </main>
        {plans && <Needs needs={data.needs} />}
      </div>
    </Page>
  );
}

/** The present time on the clock that the row is written in. */
function clockOf(now: number, meeting: DayRow): string {
  return clock(plusMinutes(meeting.local, Math.floor((now - Date.parse(meeting.startsAt)) / 60000)));
}

function DayItem({ meeting, day, nowLine, nowClock }: { meeting: DayRow; day: string; nowLine: boolean; nowClock: string }) {
  const { t } = useTranslation();
  const quiet = meeting.state === 'over' || meeting.state === 'called_off';
  const copying = useCopying();
  return (
    <li className={`relative grid grid-cols-[5.5rem_1fr_auto] gap-x-4 border-b border-line py-3.5 ${quiet ? 'text-muted' : ''}`}>
      {nowLine && (
        <div className="absolute inset-x-0 -top-px border-t-2 border-sun">
          <span className="absolute right-0 -top-3 rounded bg-sun px-1.5 font-bold text-on-sun">
            <span className="sr-only">{t('today.now')} </span>
            {nowClock}
          </span>
        </div>
      )}
      <div>
        <p className="narrow text-19 leading-6 font-semibold">{meeting.allDay ? t('board.allDay') : clock(meeting.local)}</p>
        {!meeting.allDay && (
          <p className="text-note text-muted">
            {dateOf(meeting.local) !== day && `${weekday(meeting.local)} `}
            {t('today.to', { clock: clock(meeting.localEnd) })}
          </p>
        )}
      </div>
      <div className="min-w-0">
        <h2 className={`text-[1rem] font-semibold ${meeting.state === 'called_off' ? 'line-through' : ''}`}>
          <Link to={`/meetings/${meeting.meetingId}`} className="hover:underline">
            {meeting.title || t('sheet.untitled')}
          </Link>
        </h2>
        <p className={quiet ? '' : 'text-muted'}>
          {[
            meeting.host ? t('today.host', { name: meeting.host }) : '',
            meeting.optional === 0
              ? t('today.required', { count: meeting.required })
              : t('today.people', { required: meeting.required, optional: meeting.optional }),
            meeting.place ?? '',
            meeting.allDay
              ? ''
              : meeting.elsewhere
                  .map(
                    (place) =>
                      `${place.city} ${clock(place.local)}${dateOf(place.local) === dateOf(meeting.local) ? '' : ` ${weekday(place.local)}`}`,
                  )
                  .join(', '),
          ]
            .filter(Boolean)
            .join('. ')}
          .
        </p>
        {!quiet && (
          <p className="mt-1.5 flex flex-wrap gap-2">
            {meeting.link && (
              <a
                href={meeting.link}
                target="_blank"
                rel="noreferrer"
                className={`rounded-md border border-ink px-2.5 py-1 font-semibold ${meeting.state === 'now' ? 'bg-ink text-on-ink' : 'bg-sheet'}`}
              >
                {t('today.join')}
              </a>
            )}
            {meeting.link && (
              <Button small onClick={() => copying.link(meeting.link ?? '')}>
                {t('meeting.copyLink')}
              </Button>
            )}
          </p>
        )}
      </div>
      <p
        className={`text-note ${meeting.state === 'now' ? 'font-semibold text-good' : meeting.state === 'called_off' ? 'text-broken' : 'text-muted'}`}
      >
        {t(`today.state.${meeting.state}`)}
      </p>
    </li>
  );
}

function Needs({ needs }: { needs: Need[] }) {
  const { t } = useTranslation();
  return (
    <aside aria-labelledby="needs" className="w-full border-line bg-sheet px-5 py-3 md:w-[372px] md:border-l">
      <h2 id="needs" className="border-b border-line pb-1.5 text-note text-muted">
        <span className="font-semibold">{t('needs.title')}</span> {needs.length}
      </h2>
      {needs.length === 0 && <p className="py-3 text-muted">{t('needs.none')}</p>}
      <ul>
        {needs.map((need, index) => (
          <li key={index} className="border-b border-line py-3">
            <NeedText need={need} />
          </li>
        ))}
      </ul>
    </aside>
  );
}

/** Sends once more what did not arrive. */
function AgainButton({ id }: { id: number }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const again = useMutation({
    mutationFn: () => sendAgain(id),
    onSuccess: () => {
      tell(t('dispatch.onItsWay'));
      void client.invalidateQueries({ queryKey: ['today'] });
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  return (
    <Button look="quiet" disabled={again.isPending} onClick={() => again.mutate()}>
      {t('dispatch.sendAgain')}
    </Button>
  );
}

function NeedText({ need }: { need: Need }) {
  const { t } = useTranslation();
  const city = useSession()?.zoneCity ?? '';
  switch (need.code) {
    case 'refused':
    case 'given_up':
      return (
        <>
          <p className="font-semibold break-words">{t(`needs.${need.code}`, { recipient: need.recipient })}</p>
          <p className="text-muted break-words">
            {t(`kind.${need.kind}`)}: {need.title}. {need.outcome}
          </p>
          <p className="flex gap-4">
            <Link className="changeable font-medium" to={`/sent/${need.dispatchId}`}>
              {t('needs.look')}
            </Link>
            <AgainButton id={need.dispatchId} />
          </p>
        </>
      );
    case 'more_undelivered':
      return (
        <Link className="changeable font-medium" to="/sent?state=failed">
          {t('needs.more_undelivered', { count: need.count })}
        </Link>
      );
    case 'outbox_held':
      return (
        <>
          <p className="font-semibold">{t('needs.outbox_held', { count: need.waiting })}</p>
          <p className="text-muted break-words">
            {t('needs.outbox_held_since', { date: shortDate(need.sinceLocal), clock: clock(need.sinceLocal), city })} {need.why}
          </p>
          <Link className="changeable font-medium" to="/sent?state=open">
            {t('needs.lookHeld')}
          </Link>
        </>
      );
    case 'clocks':
      return (
        <>
          <p className="font-semibold">
            {t('needs.clocks', { cities: new Intl.ListFormat('en').format(need.cities), date: shortDate(need.on) })}
          </p>
          <p className="text-muted">
            {t('needs.clocksText', {
              count: need.people,
              minutes: Math.abs(need.minutes),
              direction: t(need.minutes > 0 ? 'needs.forward' : 'needs.back'),
            })}
          </p>
          <Link className="changeable font-medium" to="/meetings?which=ahead">
            {t('needs.seeMeetings')}
          </Link>
        </>
      );
    case 'offer_answered':
    case 'offer_late':
      return (
        <>
          <p className="font-semibold">{t(`needs.${need.code}`, { title: need.title || t('sheet.untitled') })}</p>
          <p className="text-muted">{t('needs.offerText', { count: need.answered, of: need.of })}</p>
          <Link className="changeable font-medium" to={`/meetings/${need.meetingId}/plan?answers`}>
            {t('needs.seeAnswers')}
          </Link>
        </>
      );
    case 'kit_stale':
      return (
        <>
          <p className="font-semibold">{t('needs.kit_stale', { title: need.title })}</p>
          <p className="text-muted">{t('needs.kit_staleText', { count: need.people })}</p>
          <Link className="changeable font-medium" to={`/meetings/${need.meetingId}`}>
            {t('needs.kit_staleOpen')}
          </Link>
        </>
      );
    case 'replies':
      return (
        <>
          <p className="font-semibold">{t('needs.replies', { title: need.title, count: need.count })}</p>
          <Link className="changeable font-medium" to={`/meetings/${need.meetingId}/answers`}>
            {t('needs.repliesOpen')}
          </Link>
        </>
      );
    case 'clash':
      return <ClashSince need={need} />;
    case 'away':
      return <AwaySince need={need} />;
    case 'zone_data':
      return <MovedClocks need={need} />;
    default:
      return (
        <>
          <p className="font-semibold">{t(`needs.${need.code}`, { title: need.title || t('sheet.untitled') })}</p>
          <Link className="changeable font-medium" to={`/meetings/${need.meetingId}/plan`}>
            {t('needs.open')}
          </Link>
        </>
      );
  }
}

/** Something is noted and gone from the list, or not after all. */
function useNoting(run: (noted: boolean) => Promise<void>) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const note = useMutation({
    mutationFn: run,
    onSuccess: (_, noted) => {
      void client.invalidateQueries({ queryKey: ['today'] });
      if (noted) {
        tell(t('needs.noted'), { seconds: 10, action: { label: t('action.undo'), run: () => note.mutate(false) } });
      }
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  return note;
}

/** The meeting that a note concerns, and that it has been read. */
function OpenOrNote({ meetingId, note }: { meetingId: string; note: ReturnType<typeof useNoting> }) {
  const { t } = useTranslation();
  return (
    <p className="flex gap-4">
      <Link className="changeable font-medium" to={`/meetings/${meetingId}`}>
        {t('needs.openMeeting')}
      </Link>
      <Button look="quiet" disabled={note.isPending} onClick={() => note.mutate(true)}>
        {t('needs.note')}
      </Button>
    </p>
  );
}

/** Somebody was told of a date, and their calendar came to say something else. */
function ClashSince({ need }: { need: Extract<Need, { code: 'clash' }> }) {
  const { t } = useTranslation();
  const note = useNoting((noted) => noteClash(need.meetingId, need.personId, noted));
  return (
    <>
      <p className="font-semibold">
        {t('needs.clash', {
          count: need.dates,
          name: need.name,
          kind: t(`needs.nowIs.${need.kind}`),
          title: need.title || t('sheet.untitled'),
          date: shortDate(need.firstLocal),
        })}
      </p>
      <OpenOrNote meetingId={need.meetingId} note={note} />
    </>
  );
}

/** Somebody was told of a meeting and will be away from it. */
function AwaySince({ need }: { need: Extract<Need, { code: 'away' }> }) {
  const { t } = useTranslation();
  const note = useNoting((noted) => noteAway(need.meetingId, need.absenceId, noted));
  return (
    <>
      <p className="font-semibold">
        {t('needs.away', { count: need.dates, name: need.name, title: need.title, date: shortDate(need.firstLocal) })}
      </p>
      {need.standIn && <p className="text-muted">{t('away.standsIn', { name: need.standIn })}.</p>}
      <OpenOrNote meetingId={need.meetingId} note={note} />
    </>
  );
}

const NAMED = 4;

/** Newer zone data moved a meeting on somebody's clock. */
function MovedClocks({ need }: { need: Extract<Need, { code: 'zone_data' }> }) {
  const { t } = useTranslation();
  const note = useNoting((noted) => noteMoves(need.meetingId, need.zoneData, noted));
  return (
    <>
      <p className="font-semibold">{t('needs.zone_data', { title: need.title || t('sheet.untitled'), count: need.people.length })}</p>
      <ul className="text-muted">
        {need.people.slice(0, NAMED).map((person, index) => (
          <li key={index}>
            {t('needs.moved', {
              name: person.name,
              city: person.city,
              was: clock(person.was),
              now: clock(person.now),
              date: shortDate(person.now),
              count: person.dates,
            })}
          </li>
        ))}
        {need.people.length > NAMED && <li>{t('needs.moreMoved', { count: need.people.length - NAMED })}</li>}
      </ul>
      <OpenOrNote meetingId={need.meetingId} note={note} />
    </>
  );
}
