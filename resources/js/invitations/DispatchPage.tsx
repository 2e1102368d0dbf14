import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { ApiError } from '../lib/api';
import { useSession } from '../people/session';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { momentText } from './DispatchList';
import { dispatchQuery, sendAgain } from './dispatches';

/** One message as it was sent, and what became of it. */
export function DispatchPage() {
  const { t } = useTranslation();
  const { id = '' } = useParams();
  const { data, error, refetch } = useQuery(dispatchQuery(Number(id)));
  const city = useSession()?.zoneCity ?? '';
  const tell = useTell();
  const client = useQueryClient();
  const again = useMutation({
    mutationFn: () => sendAgain(Number(id)),
    onSuccess: () => {
      tell(t('dispatch.onItsWay'));
      void client.invalidateQueries();
    },
    onError: (failed) => tell(failed instanceof ApiError ? failed.message : t('failure.unexpected'), { tone: 'broken' }),
  });
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
  const facts: [string, string][] = [
    [t('dispatch.to'), data.name ? `${data.name} <${data.recipient}>` : data.recipient],
    [t('dispatch.what'), t(`kind.${data.kind}`)],
    [t('dispatch.written'), momentText(data.createdLocal, city)],
    [t('dispatch.state'), `${t(`dispatch.${data.state}`)}${data.sentLocal ? `, ${momentText(data.sentLocal, city)}` : ''}`],
    [t('dispatch.tries'), String(data.tries)],
    [t('dispatch.answer'), data.outcome ?? '–'],
    [t('dispatch.messageId'), data.messageId],
  ];
  return (
    <Page
      title={data.subject}
      above={
        <Link to="/sent" className="changeable">
          {t('sent.title')}
        </Link>
      }
      heading={data.subject}
    >
      <main className="grid grid-cols-1 gap-8 px-5 py-4 md:grid-cols-[2fr_3fr]">
        <div>
          <dl className="grid grid-cols-[7rem_1fr] gap-y-1">
            {facts.map(([name, value]) => (
              <div key={name} className="contents">
                <dt className="text-muted">{name}</dt>
                <dd className="min-w-0 break-words">{value}</dd>
              </div>
            ))}
          </dl>
          {data.mayGoAgain && (
            <p className="mt-3 flex flex-wrap items-center gap-4">
              <Button look="main" disabled={again.isPending} onClick={() => again.mutate()}>
                {t('dispatch.sendAgain')}
              </Button>
              <Link className="changeable" to="/people">
                {t('unsendable.mend')}
              </Link>
            </p>
          )}
          {data.meetingId && (
            <p className="mt-3">
              <Link className="changeable" to={`/meetings/${data.meetingId}`}>
                {data.meetingTitle ?? ''}
              </Link>
            </p>
          )}
        </div>
        {data.source === null ? (
          <p className="text-muted">{t('dispatch.notShown')}</p>
        ) : (
          <div className="flex flex-col gap-4">
            <iframe
              title={t('dispatch.asSent')}
              src={`/api/dispatches/${data.id}/html`}
              sandbox=""
              className="h-[520px] w-full border border-line bg-white"
            />
            <details>
              <summary className="cursor-pointer font-semibold">{t('dispatch.text')}</summary>
              <pre className="overflow-x-auto bg-sheet p-3 whitespace-pre-wrap" tabIndex={0}>
                {data.text}
              </pre>
            </details>
            <details>
              <summary className="cursor-pointer font-semibold">{t('dispatch.calendar')}</summary>
              <pre className="overflow-x-auto bg-sheet p-3" tabIndex={0}>
                {data.calendar}
              </pre>
            </details>
            <details>
              <summary className="cursor-pointer font-semibold">{t('dispatch.source')}</summary>
              <pre className="max-h-96 overflow-auto bg-sheet p-3 text-note" tabIndex={0}>
                {data.source}
              </pre>
            </details>
          </div>
        )}
      </main>
    </Page>
  );
}
