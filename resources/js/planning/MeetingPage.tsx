import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import { ApiError, sendJson } from '../lib/api';
import { clock, shortDate } from '../lib/time';
import { called } from '../people/people';
import { useSession } from '../people/session';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { DispatchList } from '../invitations/DispatchList';
import { dispatchesQuery } from '../invitations/dispatches';
import { datesQuery, meetingQuery, meetingShape, startMeeting, type Meeting } from './meetings';
import { useCopying } from './useCopying';

/** A meeting's own page: what it is, its dates, its people, what was sent. */
export function MeetingPage() {
  const { id = '' } = useParams();
  return <Awaited query={useQuery(meetingQuery(id))}>{(meeting) => <Shown meeting={meeting} />}</Awaited>;
}

const DATES_SHOWN = 12;

function Shown({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const navigate = useNavigate();
  const plans = useSession()?.account?.plans ?? false;
  const [asking, setAsking] = useState(false);
  const dates = useQuery(datesQuery(meeting.id));
  const editable = meeting.status === 'draft' || meeting.status === 'kept';

  const again = useMutation({ mutationFn: () => startMeeting(meeting.id), onSuccess: (copy) => navigate(`/meetings/${copy.id}/plan`) });
  const callOff = useMutation({
    mutationFn: () => sendJson('POST', `meetings/${meeting.id}/call-off`, {}, meetingShape),
    onSuccess: (now) => {
      client.setQueryData(meetingQuery(meeting.id).queryKey, now);
      void client.invalidateQueries();
      setAsking(false);
      tell(t('meeting.calledOffNow', { count: now.attendees.length }));
    },
  });
  const copying = useCopying();

  return (
    <Page
      title={meeting.title || t('sheet.untitled')}
      above={<StatusLine meeting={meeting} />}
      heading={`${meeting.title || t('sheet.untitled')}, ${meeting.sentence.map((piece) => piece.text).join('')}.`}
      aside={
        <div className="no-print flex flex-wrap gap-2.5">
          {plans && editable && (
            <Button look="main" onClick={() => navigate(`/meetings/${meeting.id}/plan`)}>
              {t('meeting.goOnPlanning')}
            </Button>
          )}
          {plans && (
            <Button disabled={again.isPending} onClick={() => again.mutate()}>
              {t('meetings.again')}
            </Button>
          )}
          {plans && meeting.status === 'sent' && (
            <Button look="danger" onClick={() => setAsking(true)}>
              {t('meeting.callOff')}
            </Button>
          )}
        </div>
      }
    >
      <main className="grid max-w-6xl grid-cols-1 gap-x-10 gap-y-6 px-5 py-4 md:grid-cols-[3fr_2fr]">
        <div className="flex flex-col gap-6">
          {meeting.status === 'sent' && plans && <p className="border-l-4 border-sun bg-sheet px-3 py-2">{t('meeting.locked')}</p>}
          <section aria-labelledby="about">
            <h2 id="about" className="text-note font-semibold text-muted">
              {t('sheet.what')}
            </h2>
            {meeting.purpose && <p className="whitespace-pre-line">{meeting.purpose}</p>}
            <ol>
              {meeting.agenda.map((item, index) => (
                <li key={index} className="flex justify-between gap-4 border-t border-line py-1.5">
                  <span>
                    {item.title} <span className="text-muted">{item.speaker}</span>
                  </span>
                  <span className="font-semibold">{item.minutes !== null && `${item.minutes} min`}</span>
                </li>
              ))}
            </ol>
            {meeting.links.map((link) => (
              <p key={link.url} className="border-t border-line py-1.5">
                <a href={link.url} rel="noreferrer" target="_blank" className="underline">
                  {link.label || link.url}
                </a>
              </p>
            ))}
            {!meeting.purpose && meeting.agenda.length === 0 && <p className="text-muted">{t('meeting.noPurpose')}</p>}
          </section>
          <section aria-labelledby="how">
            <h2 id="how" className="text-note font-semibold text-muted">
              {t('sheet.join')}
            </h2>
            {meeting.kit && meeting.joinMode !== 'in_person' && (
              <>
                <p className="break-all">{meeting.kit.link}</p>
                <p>
                  {t('join.number', { number: meeting.kit.number })}, {t('join.passcode')} <strong>{meeting.kit.passcode}</strong>
                </p>
                {meeting.kit.dialIns.map((dialIn) => (
                  <p key={dialIn.uri}>
                    {dialIn.country} <a href={dialIn.uri}>{dialIn.number}</a>, {t('join.pin', { pin: meeting.kit?.pin })}
                  </p>
                ))}
              </>
            )}
            {(meeting.joinMode === 'in_person' || meeting.joinMode === 'both') && <p>{meeting.place || t('meeting.noPlace')}</p>}
            {meeting.joinMode === 'undecided' && <p className="text-muted">{t('join.undecided')}</p>}
            <p className="no-print mt-2 flex flex-wrap gap-x-5">
              <Button look="quiet" onClick={() => copying.asText(meeting.id)}>
                {t('meeting.copyText')}
              </Button>
              {meeting.kit && (
                <Button look="quiet" onClick={() => copying.link(meeting.kit?.link ?? '')}>
                  {t('meeting.copyLink')}
                </Button>
              )}
              {plans && (meeting.rule || meeting.extra.length > 0) && !meeting.allDay && (
                <Link className="changeable font-medium" to={`/meetings/${meeting.id}/shifts`}>
                  {t('shifts.title')}
                </Link>
              )}
              <a className="changeable font-medium" href={`/api/meetings/${meeting.id}/file.ics`}>
                {t('meeting.download')}
              </a>
            </p>
          </section>
          {plans && !editable && <Sent meetingId={meeting.id} />}
        </div>
        <div className="flex flex-col gap-6">
          <Dates dates={dates.data} meeting={meeting} />
          <section aria-labelledby="people">
            <h2 id="people" className="text-note font-semibold text-muted">
              {t('meeting.people', { count: meeting.attendees.length })}
            </h2>
            <ul>
              {meeting.attendees.map(({ person, role, partstat }) => (
                <li key={person.id} className="flex justify-between gap-4 border-t border-line py-1.5">
                  <span className="min-w-0 truncate">
                    <span className="font-semibold">{called(person)}</span>{' '}
                    <span className="text-note text-muted">
                      {[
                        person.id === meeting.hostId ? t('sheet.host') : '',
                        role === 'optional' ? t('sheet.optional') : '',
                        person.city ?? '',
                      ]
                        .filter(Boolean)
                        .join(', ')}
                    </span>
                  </span>
                  <span className="text-muted">{meeting.status === 'sent' ? t(`partstat.${partstat}`) : ''}</span>
                </li>
              ))}
            </ul>
          </section>
        </div>
      </main>
      <Dialog
        open={asking}
        onOpenChange={setAsking}
        title={t('meeting.callOffTitle', { title: meeting.title })}
        description={t('meeting.callOffText', { count: meeting.attendees.length })}
      >
        {callOff.error && <ErrorNote error={callOff.error} />}
        <div className="flex justify-end gap-3">
          <Button onClick={() => setAsking(false)}>{t('action.stay')}</Button>
          <Button look="danger" disabled={callOff.isPending} onClick={() => callOff.mutate()}>
            {t('meeting.callOff')}
          </Button>
        </div>
      </Dialog>
      {again.error instanceof ApiError && <ErrorNote error={again.error} />}
    </Page>
  );
}

function StatusLine({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const city = useSession()?.zoneCity ?? '';
  if (meeting.status === 'called_off') {
    return (
      <span className="font-semibold text-broken">
        {t('meeting.statusCalledOff', {
          date: shortDate(meeting.calledOffLocal ?? meeting.updatedLocal),
          clock: clock(meeting.calledOffLocal ?? ''),
          city,
        })}
      </span>
    );
  }
  if (meeting.status === 'sent') {
    return (
      <span>
        {t('meeting.statusSent', {
          date: shortDate(meeting.sentLocal ?? meeting.updatedLocal),
          clock: clock(meeting.sentLocal ?? ''),
          city,
          coordinator: meeting.coordinator,
        })}
      </span>
    );
  }
  return <span>{t(`status.${meeting.status}`)}</span>;
}

function Dates({
  dates,
  meeting,
}: {
  dates: { dates: { local: string; startsAt: string; over: boolean }[]; laidUntil: string | null; more: boolean } | undefined;
  meeting: Meeting;
}) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  if (!dates || dates.dates.length === 0) {
    return null;
  }
  const ahead = dates.dates.filter((date) => !date.over);
  const shown = all ? dates.dates : ahead.slice(0, DATES_SHOWN);
  return (
    <section aria-labelledby="dates">
      <h2 id="dates" className="text-note font-semibold text-muted">
        {t('meeting.dates', { count: dates.dates.length, over: dates.dates.length - ahead.length })}
      </h2>
      <ol>
        {shown.map((date) => (
          <li key={date.startsAt} className={`flex justify-between border-t border-line py-1.5 ${date.over ? 'text-muted' : ''}`}>
            <span className="font-semibold">{shortDate(date.local)}</span>
            <span>
              {meeting.allDay ? t('board.allDay') : `${clock(date.local)} ${meeting.zoneCity}`} {date.over && t('status.over')}
            </span>
          </li>
        ))}
      </ol>
      {(all || shown.length < dates.dates.length) && (
        <Button look="quiet" onClick={() => setAll(!all)}>
          {all ? t('sheet.fewer') : t('meeting.allDates', { count: dates.dates.length })}
        </Button>
      )}
      {dates.more && dates.laidUntil && (
        <p className="text-note text-muted">{t('meeting.moreDates', { date: shortDate(dates.laidUntil) })}</p>
      )}
    </section>
  );
}

function Sent({ meetingId }: { meetingId: string }) {
  const { t } = useTranslation();
  const { data } = useQuery(dispatchesQuery('', '', meetingId, 1));
  return (
    <section aria-labelledby="sent">
      <h2 id="sent" className="text-note font-semibold text-muted">
        {t('meeting.sent', { count: data?.total ?? 0 })}
      </h2>
      {data && <DispatchList dispatches={data.dispatches} />}
      {data && data.pages > 1 && (
        <Link className="changeable" to={`/sent?meeting=${meetingId}`}>
          {t('meeting.allSent')}
        </Link>
      )}
    </section>
  );
}
