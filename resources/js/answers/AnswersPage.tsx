import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import '../lib/i18nAnswers';
import { ApiError } from '../lib/api';
import { called } from '../people/people';
import { meetingQuery, type Meeting } from '../planning/meetings';
import { Awaited } from '../ui/Awaited';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { AnswerThreads } from './AnswerThreads';
import { answersQuery, decide, writeDown, type Answers, type Said } from './answers';
import { ByPhone } from './ByPhone';
import { Came } from './Came';

/** How the answers to a meeting stand, and what came that needs its coordinator. */
export function AnswersPage() {
  const { id = '' } = useParams();
  const meeting = useQuery(meetingQuery(id));
  return (
    <Awaited query={meeting}>
      {(found) => <Awaited query={useAnswers(id)}>{(answers) => <Shown meeting={found} answers={answers} />}</Awaited>}
    </Awaited>
  );
}

const useAnswers = (id: string) => useQuery(answersQuery(id));

function Shown({ meeting, answers }: { meeting: Meeting; answers: Answers }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const failed = (error: unknown) =>
    tell(error instanceof ApiError ? (Object.values(error.errors)[0]?.[0] ?? error.message) : t('failure.unexpected'), { tone: 'broken' });
  const settle = (now: Answers) => {
    client.setQueryData(answersQuery(meeting.id).queryKey, now);
    void client.invalidateQueries({ queryKey: meetingQuery(meeting.id).queryKey });
  };
  const write = useMutation({
    mutationFn: ({ personId, ...answer }: { personId: string; date: string | null; partstat: Said; comment: string }) =>
      writeDown(meeting.id, personId, answer),
    onSuccess: (now) => {
      settle(now);
      tell(t('answers.written'));
    },
    onError: failed,
  });
  const deciding = useMutation({
    mutationFn: ({ id, how }: { id: number; how: 'take' | 'dismiss' }) => decide(meeting.id, id, how),
    onSuccess: settle,
    onError: (error) => {
      failed(error);
      void client.invalidateQueries({ queryKey: answersQuery(meeting.id).queryKey });
    },
  });
  const lost = answers.dates.filter((date) => date.lost.length > 0).length;
  const silent = answers.people.filter(
    ({ partstat, person }) => partstat === 'needs-action' && answers.dates.some((d) => d.said[person.id] === 'needs-action'),
  );
  const of = (partstat: string) => answers.people.filter((one) => one.partstat === partstat).length;

  return (
    <Page
      title={`${t('answers.title')}: ${meeting.title}`}
      above={
        <Link className="changeable" to={`/meetings/${meeting.id}`}>
          {t('answers.above', { title: meeting.title, sentence: meeting.sentence.map((piece) => piece.text).join('') })}
        </Link>
      }
      heading={t('answers.heading', {
        answered: answers.answered,
        asked: answers.people.length,
        dates: answers.maySay ? t('answers.lost', { count: lost }) : t('answers.none'),
      })}
    >
      <main className="flex flex-col md:flex-row">
        <div className="min-w-0 flex-1 px-5 py-3">
          <AnswerThreads answers={answers} />
          <p className="pt-3 font-semibold">
            {t('answers.sum', { accepted: of('accepted'), tentative: of('tentative'), declined: of('declined'), silent: silent.length })}
          </p>
        </div>
        <aside className="flex w-full shrink-0 flex-col gap-4 border-line bg-sheet px-5 py-3 md:w-[22rem] md:border-l">
          <Came
            meetingId={meeting.id}
            replies={answers.replies}
            city={meeting.zoneCity}
            pending={deciding.isPending}
            decide={(reply, how) => deciding.mutate({ id: reply.id, how })}
          />
          <section aria-labelledby="silent">
            <h2 id="silent" className="text-note font-semibold text-muted">
              {t('answers.silent')}
            </h2>
            <p>{silent.length === 0 ? t('answers.nobodySilent') : silent.map(({ person }) => called(person)).join(', ')}</p>
          </section>
          {answers.maySay && <ByPhone answers={answers} pending={write.isPending} write={(answer) => write.mutate(answer)} />}
        </aside>
      </main>
    </Page>
  );
}
