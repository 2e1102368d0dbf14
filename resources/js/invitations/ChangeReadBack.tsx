import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { ApiError, sendJson } from '../lib/api';
import { clock, dayMonth, listed, longDate, weekday } from '../lib/time';
import { meetingQuery, meetingShape, type Meeting } from '../planning/meetings';
import { OwnWords } from '../planning/OwnWords';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Differences } from './Differences';
import { Letter } from './Letter';
import { MISSING_PLACES } from './places';
import { sendingKey, useSending } from './useSending';
import { changeQuery, type ChangeBack, type Telling } from './readBack';

/** The check page before a change is sent: what is different, who hears what, who hears nothing, and the mail of each. */
export function ChangeReadBack({ sheet }: { sheet: Meeting }) {
  const [tellAll, setTellAll] = useState(false);
  const query = useQuery({ ...changeQuery(sheet.id, tellAll), enabled: !useSending(sheet.id) });
  return <Awaited query={query}>{(data) => <Shown data={data} tellAll={tellAll} setTellAll={setTellAll} />}</Awaited>;
}

function Shown({ data, tellAll, setTellAll }: { data: ChangeBack; tellAll: boolean; setTellAll: (all: boolean) => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const navigate = useNavigate();
  const sheet = data.meeting;
  const sentId = sheet.changeOf ?? sheet.id;
  const [asked, setAsked] = useState<string | null>(null);
  const [words, setWords] = useState('');
  const chosen = data.told.find((one) => one.personId === asked) ?? data.told[0];
  const silent = data.untouched.filter((one) => !one.isOrganizer);
  const [leftOut, setLeftOut] = useState<string[]>([]);
  const isLeftOut = (one: Telling) => one.personId !== null && leftOut.includes(one.personId);
  const count = data.told.filter((one) => !isLeftOut(one)).length;

  const takeBack = useMutation({
    mutationFn: () => sendJson('POST', `meetings/${sentId}/take-back`, {}, meetingShape),
    onSuccess: async (now) => {
      client.setQueryData(meetingQuery(sentId).queryKey, now);
      await client.invalidateQueries();
      await navigate(now.changeId ? `/meetings/${now.changeId}/plan` : `/meetings/${sentId}`);
      tell(t('changed.takenBack'));
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const send = useMutation({
    mutationKey: sendingKey(sheet.id),
    mutationFn: () =>
      sendJson('POST', `meetings/${sheet.id}/send`, { version: sheet.version, tellAll, words, leaveOut: leftOut }, meetingShape),
    onSuccess: async (now) => {
      const seconds = now.holdSeconds ?? 0;
      tell(
        t('changed.sentNow', { count, title: now.title }),
        seconds > 1 ? { seconds, action: { label: t('readBack.takeBack'), run: () => takeBack.mutate() } } : {},
      );
      client.removeQueries({ queryKey: meetingQuery(sheet.id).queryKey });
      await navigate(`/meetings/${now.id}`, { replace: true });
      await client.invalidateQueries();
    },
  });

  return (
    <div className="flex min-h-[calc(100dvh-2.75rem)] flex-col md:h-[calc(100dvh-2.75rem)]">
      <Page
        title={t('changed.title')}
        above={t('changed.above', { title: sheet.title, sentence: data.sentence.map((piece) => piece.text).join('') })}
        heading={
          data.different.length === 0
            ? t('changed.nothing')
            : t('changed.heading', { count, silent: t('changed.silent', { count: silent.length + data.told.length - count }) })
        }
      >
        <div className="flex min-h-0 flex-1 flex-col md:flex-row">
          <div className="flex w-full flex-col gap-4 overflow-y-auto border-line bg-sheet px-5 py-3 md:w-[58%] md:border-r">
            {data.missing.map((missing) => (
              <div key={missing} className="border-l-4 border-broken pl-3">
                <p className="font-semibold">{t(`missing.${missing}`)}</p>
                <Link className="changeable" to={`/meetings/${sheet.id}/plan#${MISSING_PLACES[missing] ?? ''}`}>
                  {t('missing.mend')}
                </Link>
              </div>
            ))}
            <section aria-labelledby="different">
              <h2 id="different" className="text-note font-semibold text-muted">
                {t('changed.different')}
              </h2>
              <Differences different={data.different} />
              {data.from && <p className="border-t border-line py-1.5">{t('changed.fromOnLong', { date: longDate(data.from) })}</p>}
              {data.different.length === 0 && <p className="border-t border-line py-1.5">{t('changed.asSent')}</p>}
            </section>
            {data.told.length > 0 && <OwnWords words={words} setWords={setWords} />}
            {data.told.length > 0 && (
              <Tellings
                told={data.told}
                allDay={sheet.allDay}
                chosen={chosen?.personId ?? null}
                choose={setAsked}
                leftOut={leftOut}
                toggle={(id) => setLeftOut(leftOut.includes(id) ? leftOut.filter((one) => one !== id) : [...leftOut, id])}
              />
            )}
            {leftOut.length > 0 && <p className="text-note font-semibold text-odd">{t('changed.leftOut')}</p>}
            <p>
              {silent.length > 0 && (
                <>
                  <strong>{t('changed.hearNothing')}</strong> {listed(silent.map((one) => one.name))}{' '}
                </>
              )}
              {(silent.length > 0 || tellAll) && data.people && (
                <Button look="quiet" onClick={() => setTellAll(!tellAll)}>
                  {tellAll ? t('changed.tellFewer') : t('changed.tellAll')}
                </Button>
              )}
            </p>
          </div>
          <div className="flex min-h-[480px] min-w-0 flex-1 flex-col gap-2 px-5 py-3">
            {chosen?.personId && (
              <Letter meetingId={sheet.id} personId={chosen.personId} version={sheet.version} tellAll={tellAll} words={words} />
            )}
          </div>
        </div>
        <footer className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t border-line bg-sheet px-5 py-2">
          <p>{data.missing.length > 0 ? t('readBack.notReady') : t('changed.ready', { count })}</p>
          {send.error && <ErrorNote error={send.error} />}
          <span className="flex flex-wrap gap-2.5">
            <Button onClick={() => navigate(`/meetings/${sheet.id}/plan`)}>{t('readBack.back')}</Button>
            <Button disabled={send.isPending} onClick={() => navigate(`/meetings/${sentId}`)}>
              {t('changed.wait')}
            </Button>
            <Button
              look="main"
              disabled={data.missing.length > 0 || data.different.length === 0 || send.isPending}
              onClick={() => send.mutate()}
            >
              {send.isPending ? t('readBack.sending') : t('changed.send', { count })}
            </Button>
          </span>
        </footer>
      </Page>
    </div>
  );
}

type TellingsProps = {
  told: Telling[];
  allDay: boolean;
  chosen: string | null;
  choose: (personId: string | null) => void;
  leftOut: string[];
  toggle: (personId: string) => void;
};

function Tellings({ told, allDay, chosen, choose, leftOut, toggle }: TellingsProps) {
  const { t } = useTranslation();
  const say = (wall: string | null) => (wall === null ? '' : `${weekday(wall)} ${dayMonth(wall)}${allDay ? '' : ` ${clock(wall)}`}`);
  return (
    <section aria-labelledby="told">
      <h2 id="told" className="text-note font-semibold text-muted">
        {t('changed.told')}
      </h2>
      <table className="w-full text-left">
        <thead className="text-note text-muted">
          <tr>
            <th className="py-1 font-medium">{t('readBack.recipient')}</th>
            <th className="py-1 font-medium">{t('changed.isTold')}</th>
            <th className="py-1 font-medium">{t('changed.was')}</th>
            <th className="py-1 font-medium">{t('changed.now')}</th>
          </tr>
        </thead>
        <tbody>
          {told.map((one) => (
            <tr
              key={one.name}
              className={`border-t border-line align-top ${one.personId === chosen ? 'bg-day text-[#17202b] dark:text-ink' : ''}`}
            >
              <td className="py-1 pr-2">
                {one.personId !== null && (
                  <input
                    type="checkbox"
                    className="mr-2 align-middle"
                    aria-label={t('changed.tellOne', { name: one.name })}
                    checked={!leftOut.includes(one.personId)}
                    onChange={() => toggle(one.personId ?? '')}
                  />
                )}
                <button
                  type="button"
                  aria-pressed={one.personId === chosen}
                  className={`text-left font-semibold hover:underline ${one.name.includes('@') ? 'break-all' : ''}`}
                  onClick={() => choose(one.personId)}
                >
                  {one.name}
                </button>{' '}
                <span className="text-note whitespace-nowrap">{t(`changed.role.${one.role}`)}</span>
              </td>
              <td className="py-1 pr-2">
                {listed(one.changes.map((code) => t(`changed.code.${code === 'people' && one.role !== 'out' ? 'list' : code}`)))}
              </td>
              <td className="py-1 pr-2 sm:whitespace-nowrap">{one.was !== null && one.was !== one.now && <del>{say(one.was)}</del>}</td>
              <td className="py-1 sm:whitespace-nowrap">
                <strong>{say(one.now)}</strong> <span className="text-note">{one.place}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
