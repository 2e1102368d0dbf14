import '../lib/i18nPlanning';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import * as z from 'zod/mini';
import { ApiError, sendJson } from '../lib/api';
import { clock, shortDate } from '../lib/time';
import { called } from '../people/people';
import { usePlans, useSession } from '../people/session';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { CallOffDialog } from './CallOffDialog';
import { MeetingDates } from './MeetingDates';
import { hasKit, beginChange, datesQuery, meetingQuery, startMeeting, type Meeting } from './meetings';
import { KitAnew, StaleKit } from './KitAnew';
import { QrCode } from './QrCode';
import { Running } from './Running';
import { FromBlueprint } from './FromBlueprint';
import { Files } from './Files';
import { InviteMore } from './InviteMore';
import { WaitingChange } from './WaitingChange';
import { useCopying } from './useCopying';

/** A meeting's own page: what it is, its dates, its people, and what was sent, which another room shows. */
export function MeetingPage({ sent }: { sent: (meetingId: string) => ReactNode }) {
  const { id = '' } = useParams();
  return (
    <Awaited query={useQuery(meetingQuery(id))}>
      {(meeting) =>
        meeting.changeOf ? <Navigate to={`/meetings/${meeting.changeOf}`} replace /> : <Shown meeting={meeting} sent={sent} />
      }
    </Awaited>
  );
}

function Shown({ meeting, sent }: { meeting: Meeting; sent: (meetingId: string) => ReactNode }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const plans = usePlans();
  const [asking, setAsking] = useState(false);
  const dates = useQuery(datesQuery(meeting.id));
  const editable = meeting.status === 'draft' || meeting.status === 'kept';
  const keeper = meeting.attendees.find(({ person }) => person.id === meeting.kit?.standingOf)?.person;
  const changes = meeting.mayChange && meeting.status === 'sent';

  const again = useMutation({ mutationFn: () => startMeeting(meeting.id), onSuccess: (copy) => navigate(`/meetings/${copy.id}/plan`) });
  const changing = useMutation({
    mutationFn: () => beginChange(meeting.id),
    onSuccess: (sheet) => navigate(`/meetings/${sheet.id}/plan`),
  });
  const tell = useTell();
  const tellOne = useMutation({
    mutationFn: (personId: string) => sendJson('POST', `meetings/${meeting.id}/tell/${personId}`, {}, z.object({ name: z.string() })),
    onSuccess: ({ name }) => tell(t('meeting.sentAgain', { name })),
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
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
          {changes && (
            <Button look="main" disabled={changing.isPending} onClick={() => changing.mutate()}>
              {t(meeting.changeId ? 'changed.goOn' : 'changed.begin')}
            </Button>
          )}
          {plans && meeting.status === 'sent' && (
            <Button onClick={() => navigate(`/meetings/${meeting.id}/answers`)}>{t('meeting.answers')}</Button>
          )}
          {plans && meeting.status === 'sent' && !meeting.runningUntil && (
            <Button onClick={() => navigate(`/now?from=${meeting.id}`)}>{t('now.open')}</Button>
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
      <main className="grid grid-cols-1 gap-x-10 gap-y-6 px-5 py-4 md:grid-cols-[3fr_2fr]">
        <div className="flex flex-col gap-6">
          {(meeting.earlierId || meeting.laterId) && (
            <p className="flex flex-wrap gap-x-5">
              {meeting.earlierId && (
                <Link className="changeable" to={`/meetings/${meeting.earlierId}`}>
                  {t('meeting.earlierPart')}
                </Link>
              )}
              {meeting.laterId && (
                <Link className="changeable" to={`/meetings/${meeting.laterId}`}>
                  {t('meeting.laterPart')}
                </Link>
              )}
            </p>
          )}
          {meeting.kitStale && plans && <StaleKit meeting={meeting} />}
          {meeting.runningUntil && <Running meeting={meeting} plans={plans} />}
          {plans && (
            <p className="no-print">
              <FromBlueprint meeting={meeting} />
            </p>
          )}
          {meeting.changeId && changes && <WaitingChange meeting={meeting} changeId={meeting.changeId} />}
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
            <Files meetingId={meeting.id} mayChange={meeting.mayChange} />
            {!meeting.purpose && meeting.agenda.length === 0 && <p className="text-muted">{t('meeting.noPurpose')}</p>}
          </section>
          <section aria-labelledby="how">
            <h2 id="how" className="text-note font-semibold text-muted">
              {t('sheet.join')}
            </h2>
            {meeting.kit && meeting.joinMode !== 'in_person' && (
              <>
                {meeting.joinMode !== 'phone' && <p className="break-all">{meeting.kit.link}</p>}
                {keeper && <p className="text-muted">{t('join.heldIn', { name: called(keeper) })}</p>}
                <p hidden={meeting.joinMode === 'phone'}>
                  {t('join.number', { number: meeting.kit.number })}
                  {meeting.kit.asksPasscode && (
                    <>
                      , {t('join.passcode')} <strong>{meeting.kit.passcode}</strong>
                    </>
                  )}
                </p>
                {meeting.kit.dialIns.length > 0 && (
                  <p className="mt-1">
                    {t(meeting.kit.asksPasscode ? 'join.byPhone' : 'join.byPhoneOpen', {
                      number: meeting.kit.number,
                      pin: meeting.kit.pin,
                    })}
                  </p>
                )}
                <ul className="grid grid-cols-[max-content_1fr] gap-x-4">
                  {meeting.kit.dialIns.map((dialIn) => (
                    <li key={dialIn.uri} className="col-span-2 grid grid-cols-subgrid items-baseline">
                      <a href={dialIn.uri} className="inline-block py-0.5 tabular-nums">
                        {dialIn.number}
                      </a>
                      <span className="py-0.5 text-muted">
                        {dialIn.country},{' '}
                        <a
                          href={`tel:${dialIn.dials.replaceAll('#', '%23')}`}
                          className="changeable inline-block py-0.5"
                          aria-label={t('join.inOneGoLong', { country: dialIn.country, number: dialIn.number })}
                          title={dialIn.dials}
                        >
                          {t('join.inOneGo')}
                        </a>
                      </span>
                    </li>
                  ))}
                </ul>
              </>
            )}
            {(meeting.joinMode === 'in_person' || meeting.joinMode === 'both') && <p>{meeting.place || t('meeting.noPlace')}</p>}
            {meeting.joinMode === 'undecided' && <p className="text-muted">{t('join.undecided')}</p>}
            <p className="no-print mt-2 flex flex-wrap gap-x-5">
              <Button look="quiet" onClick={() => copying.asText(meeting.id)}>
                {t('meeting.copyText')}
              </Button>
              {meeting.kit && meeting.joinMode !== 'phone' && (
                <Button look="quiet" onClick={() => copying.link(meeting.kit?.link ?? '')}>
                  {t('meeting.copyLink')}
                </Button>
              )}
              {plans && (meeting.rule || meeting.extra.length > 0) && !meeting.allDay && (
                <Link className="changeable font-medium" to={`/meetings/${meeting.id}/shifts`}>
                  {t('shifts.title')}
                </Link>
              )}
              {meeting.kit && meeting.joinMode !== 'phone' && <QrCode link={meeting.kit.link} />}
              {plans && meeting.status === 'sent' && hasKit(meeting.joinMode) && meeting.kit && <KitAnew meeting={meeting} />}
              <a className="changeable font-medium" href={`/api/meetings/${meeting.id}/file.ics`}>
                {t('meeting.download')}
              </a>
            </p>
          </section>
          {plans && !editable && sent(meeting.id)}
        </div>
        <div className="flex flex-col gap-6">
          <MeetingDates dates={dates.data} meeting={meeting} changes={changes && (meeting.rule !== null || meeting.extra.length > 0)} />
          <section aria-labelledby="people">
            <h2 id="people" className="text-note font-semibold text-muted">
              {t('meeting.people', { count: meeting.attendees.length })}
            </h2>
            {meeting.mayInvite && meeting.status === 'sent' && meeting.changeId === null && <InviteMore meeting={meeting} />}
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
                  <span className="flex shrink-0 items-baseline gap-3 text-muted">
                    {meeting.status === 'sent' ? t(`partstat.${partstat}`) : ''}
                    {plans && meeting.status === 'sent' && (
                      <Button
                        look="quiet"
                        className="no-print text-note"
                        aria-label={t('meeting.sendAgainLong', { name: called(person) })}
                        disabled={tellOne.isPending}
                        onClick={() => tellOne.mutate(person.id)}
                      >
                        {t('meeting.sendAgain')}
                      </Button>
                    )}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        </div>
      </main>
      {asking && <CallOffDialog meeting={meeting} close={() => setAsking(false)} />}
      {(again.error ?? changing.error) instanceof ApiError && <ErrorNote error={again.error ?? changing.error} />}
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
        {meeting.changedLocal &&
          `. ${t('changed.status', { date: shortDate(meeting.changedLocal), clock: clock(meeting.changedLocal), city })}`}
      </span>
    );
  }
  return <span>{t(`status.${meeting.status}`)}</span>;
}
