import '../lib/i18nPlanning';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import { sendJson } from '../lib/api';
import { clock, dayMonth, oneOf, weekday } from '../lib/time';
import { ConflictText } from '../joining/RoomConflicts';
import { called, type Person } from '../people/people';
import { meetingShape } from '../planning/meetings';
import { ownWords, placeOfDate } from '../planning/own';
import { useTellSent } from '../planning/useTellSent';
import { OwnWords } from '../planning/OwnWords';
import { useCopying } from '../planning/useCopying';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { ChangeReadBack } from './ChangeReadBack';
import { Letter } from './Letter';
import { MISSING_PLACES } from './places';
import { useSending } from './useSending';
import { readBackQuery, type Odd, type ReadBack } from './readBack';

/** The check page before sending. */
export function ReadBackPage() {
  const { id = '' } = useParams();
  const query = useQuery({ ...readBackQuery(id), enabled: !useSending(id) });
  return (
    <Awaited query={query}>
      {(data) =>
        data.meeting.status === 'sent' || data.meeting.status === 'called_off' ? (
          query.isFetching ? null : (
            <Navigate to={`/meetings/${id}`} replace />
          )
        ) : data.meeting.changeOf ? (
          <ChangeReadBack sheet={data.meeting} />
        ) : (
          <Shown data={data} />
        )
      }
    </Awaited>
  );
}

const RECIPIENTS_SHOWN = 12;
const ODDS_SHOWN = 4;

function Shown({ data }: { data: ReadBack }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const navigate = useNavigate();
  const { meeting } = data;
  const [chosen, setChosen] = useState(data.recipients[0]?.person.id);
  const [all, setAll] = useState(false);
  const [words, setWords] = useState(data.words);
  const people = new Map(data.recipients.map(({ person }) => [person.id, person]));
  const done = async () => {
    await client.invalidateQueries();
    await navigate(`/meetings/${meeting.id}`);
  };
  const tellSent = useTellSent(meeting.id);
  const send = useMutation({
    mutationFn: () => sendJson('POST', `meetings/${meeting.id}/send`, { version: meeting.version, words }, meetingShape),
    onSuccess: async (now) => {
      tellSent(now);
      await done();
    },
  });
  const keep = useMutation({
    mutationFn: () => sendJson('POST', `meetings/${meeting.id}/keep`, {}, meetingShape),
    onSuccess: async () => {
      tell(t('readBack.keptNow'));
      await done();
    },
  });
  const copying = useCopying();
  const shown = all ? data.recipients : data.recipients.slice(0, RECIPIENTS_SHOWN);
  const sentence = meeting.sentence.map((piece) => piece.text).join('');

  return (
    <div className="flex min-h-[calc(100dvh-2.75rem)] flex-col md:h-[calc(100dvh-2.75rem)]">
      <Page
        title={t('readBack.title')}
        above={t('readBack.above')}
        heading={t('readBack.heading', { title: meeting.title || t('sheet.untitled'), count: data.recipients.length })}
      >
        <div className="flex min-h-0 flex-1 flex-col md:flex-row">
          <div className="flex w-full flex-col gap-4 overflow-y-auto border-line bg-sheet px-5 py-3 md:w-[44%] md:border-r">
            <p>
              {sentence.charAt(0).toUpperCase() + sentence.slice(1)}. {t('readBack.dates', { count: data.dates })} {meeting.purpose}
            </p>
            {meeting.own.length > 0 && (
              <p>
                {meeting.own
                  .map((own) => t('ownDate.differs', { date: dayMonth(placeOfDate(meeting, own.date)), what: ownWords(t, own) }))
                  .join('. ')}
                .
              </p>
            )}
            <p className="text-muted">
              {t(`readBack.join.${meeting.joinMode}`, { place: meeting.place || t('readBack.nowhere') })}{' '}
              {meeting.agenda.length > 0 && t('readBack.agenda', { count: meeting.agenda.length })}
            </p>
            <Odds data={data} people={people} />
            <OwnWords words={words} setWords={setWords} />
            <section aria-labelledby="recipients">
              <h2 id="recipients" className="text-note font-semibold text-muted">
                {t('readBack.recipients')}
              </h2>
              <table className="w-full text-left">
                <thead className="text-note text-muted">
                  <tr>
                    <th className="w-2/5 py-1 font-medium">{t('readBack.recipient')}</th>
                    <th className="py-1 font-medium">{t('readBack.needed')}</th>
                    <th className="py-1 font-medium">{t('readBack.ownTime')}</th>
                  </tr>
                </thead>
                <tbody>
                  {shown.map((recipient) => (
                    <tr
                      key={recipient.person.id}
                      className={`border-t border-line ${recipient.person.id === chosen ? 'bg-day text-[#17202b] dark:text-ink' : ''}`}
                    >
                      <td className="max-w-0 py-1">
                        <button
                          type="button"
                          aria-pressed={recipient.person.id === chosen}
                          className="w-full truncate text-left hover:underline"
                          onClick={() => setChosen(recipient.person.id)}
                        >
                          {called(recipient.person)}
                        </button>
                      </td>
                      <td className="py-1 pr-2">
                        {recipient.host ? t('sheet.host') : t(`sheet.${recipient.role}`)}
                        {recipient.dates !== null && (
                          <span className="block text-note text-muted">{t('readBack.someDates', { count: recipient.dates })}</span>
                        )}
                      </td>
                      <td className="py-1">
                        {meeting.allDay
                          ? `${weekday(recipient.firstLocal)} ${dayMonth(recipient.firstLocal)}`
                          : `${weekday(recipient.firstLocal)} ${dayMonth(recipient.firstLocal)}, ${clock(recipient.firstLocal)} ${recipient.place}`}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {data.recipients.length > RECIPIENTS_SHOWN && (
                <Button look="quiet" onClick={() => setAll(!all)}>
                  {all ? t('sheet.fewer') : t('sheet.more', { count: data.recipients.length - RECIPIENTS_SHOWN })}
                </Button>
              )}
            </section>
          </div>
          <div className="flex min-h-[480px] min-w-0 flex-1 flex-col gap-2 px-5 py-3">
            {chosen && <Letter meetingId={meeting.id} personId={chosen} version={meeting.version} words={words} />}
          </div>
        </div>
        <footer className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t border-line bg-sheet px-5 py-2">
          <p className="flex flex-wrap gap-x-4">
            <span>{data.missing.length > 0 ? t('readBack.notReady') : t('readBack.ready', { count: data.recipients.length })}</span>
            <Button look="quiet" onClick={() => copying.asText(meeting.id)}>
              {t('meeting.copyText')}
            </Button>
            <a className="changeable font-medium" href={`/api/meetings/${meeting.id}/file.ics`}>
              {t('meeting.download')}
            </a>
          </p>
          {(send.error || keep.error) && <ErrorNote error={send.error ?? keep.error} />}
          <span className="flex flex-wrap gap-2.5">
            <Button onClick={() => navigate(`/meetings/${meeting.id}/plan`)}>{t('readBack.back')}</Button>
            <Button disabled={keep.isPending || send.isPending} onClick={() => keep.mutate()}>
              {t('readBack.keep')}
            </Button>
            <Button look="main" disabled={data.missing.length > 0 || send.isPending || keep.isPending} onClick={() => send.mutate()}>
              {send.isPending ? t('readBack.sending') : t('readBack.send', { count: data.recipients.length })}
            </Button>
          </span>
        </footer>
      </Page>
    </div>
  );
}

function Odds({ data, people }: { data: ReadBack; people: Map<string, Person> }) {
  const { t } = useTranslation();
  const [left, setLeft] = useState<string[]>([]);
  const [all, setAll] = useState(false);
  const key = (odd: Odd) =>
    `${odd.code}${'personId' in odd ? odd.personId : 'kind' in odd ? `${odd.kind} ${odd.facts['country'] ?? odd.facts['setting'] ?? ''}` : ''}`;
  const shown = data.odd.filter((odd) => !left.includes(key(odd)));
  return (
    <section aria-labelledby="odd">
      <h2 id="odd" className="mb-1 text-note font-semibold text-muted">
        {t('readBack.odd')}
      </h2>
      {data.missing.map((missing) => (
        <div key={missing} className="mb-2 border-l-4 border-broken pl-3">
          <p className="font-semibold">{t(`missing.${missing}`)}</p>
          <Link className="changeable" to={`/meetings/${data.meeting.id}/plan#${MISSING_PLACES[missing] ?? ''}`}>
            {t('missing.mend')}
          </Link>
        </div>
      ))}
      {data.unsendable.map(({ personId, problem }) => (
        <div key={personId} className="mb-2 border-l-4 border-broken pl-3">
          <p className="font-semibold">
            {t(`unsendable.${problem}`, {
              name: called(people.get(personId) ?? { name: null, email: '?' }),
              address: people.get(personId)?.email,
            })}
          </p>
          <Link className="changeable" to="/people">
            {t('unsendable.mend')}
          </Link>
        </div>
      ))}
      {shown.slice(0, all ? undefined : ODDS_SHOWN).map((odd) => (
        <div key={key(odd)} className={`mb-2 border-l-4 pl-3 ${odd.code === 'clash' && odd.required ? 'border-broken' : 'border-odd'}`}>
          <OddText odd={odd} people={people} />
          <span className="flex gap-4">
            <Link
              className="changeable"
              to={`/meetings/${data.meeting.id}/plan${odd.code === 'room' ? '?room' : `#${MISSING_PLACES[odd.code] ?? ''}`}`}
            >
              {t('missing.mend')}
            </Link>
            <Button look="quiet" onClick={() => setLeft([...left, key(odd)])}>
              {t('readBack.leave')}
            </Button>
          </span>
        </div>
      ))}
      {shown.length > ODDS_SHOWN && (
        <Button look="quiet" onClick={() => setAll(!all)}>
          {all ? t('sheet.fewer') : t('sheet.more', { count: shown.length - ODDS_SHOWN })}
        </Button>
      )}
      {shown.length === 0 && data.missing.length === 0 && data.unsendable.length === 0 && (
        <p className="font-semibold text-good">{data.odd.length === 0 ? t('readBack.nothingOdd') : t('readBack.allLeft')}</p>
      )}
    </section>
  );
}

function OddText({ odd, people }: { odd: Odd; people: Map<string, Person> }) {
  const { t } = useTranslation();
  const name = 'personId' in odd ? called(people.get(odd.personId) ?? { name: null, email: '?' }) : '';
  switch (odd.code) {
    case 'clash':
      return (
        <>
          <p className="font-semibold">
            {odd.dates.length === 1
              ? t('odd.clashOne', { name, date: dayMonth(odd.dates[0]?.on ?? '') })
              : t('odd.clash', { name, count: odd.dates.length })}
          </p>
          <p className="text-muted">
            {odd.dates
              .slice(0, 6)
              .map((date) => `${dayMonth(date.on)} ${date.label}`)
              .join('; ')}
            {odd.dates.length > 6 && ` ${t('odd.andMore', { count: odd.dates.length - 6 })}`}
          </p>
        </>
      );
    case 'night':
    case 'off_hours':
      return (
        <>
          <p className="font-semibold first-letter:uppercase">{t(`odd.${odd.code}`, { name, times: oneOf(odd.times) })}</p>
          <p className="text-muted">
            {odd.count === odd.of ? t('odd.onAll', { count: odd.of }) : t('odd.onSome', { count: odd.count, of: odd.of })}
          </p>
        </>
      );
    case 'holiday':
      return (
        <p className="font-semibold">
          {t('odd.holiday', {
            name,
            count: odd.dates.length,
            names: odd.dates
              .slice(0, 4)
              .map((date) => `${date.name} (${dayMonth(date.on)})`)
              .join(', '),
          })}
        </p>
      );
    case 'no_pause':
      return (
        <>
          <p className="font-semibold">{t('odd.noPause', { name, minutes: odd.minutes })}</p>
          <p className="text-muted">
            {odd.count === odd.of ? t('odd.onAll', { count: odd.of }) : t('odd.onSome', { count: odd.count, of: odd.of })}
          </p>
        </>
      );
    case 'skipped':
      return (
        <>
          {odd.dates.map((date) => (
            <p key={date.date} className="font-semibold">
              {t('odd.skipped', { date: dayMonth(date.date), clock: clock(date.date), reads: clock(date.reads), place: odd.place })}
            </p>
          ))}
        </>
      );
    case 'room':
      return <ConflictText conflict={odd} nameOf={(id) => called(people.get(id) ?? { name: null, email: '?' })} />;
    case 'past':
      return <p className="font-semibold">{t('odd.past', { count: odd.count, of: odd.of })}</p>;
    case 'agenda_longer':
      return <p className="font-semibold">{t('odd.agenda_longer', { minutes: odd.minutes, of: odd.of })}</p>;
    default:
      return <p className="font-semibold">{t(`odd.${odd.code}`)}</p>;
  }
}
