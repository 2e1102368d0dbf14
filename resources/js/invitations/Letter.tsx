import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useDebounced } from '../lib/useDebounced';
import { Button } from '../ui/Button';
import { useSending } from './useSending';
import { letterAsked, letterQuery } from './readBack';

export type LetterProps = { meetingId: string; personId: string; version: number; tellAll?: boolean; words?: string };

/** The mail as one recipient gets it, before it is sent. */
export function Letter({ meetingId, personId, version, tellAll = false, words = '' }: LetterProps) {
  const { t } = useTranslation();
  const [asText, setAsText] = useState(false);
  const said = useDebounced(words.trim(), 400);
  const { data } = useQuery({
    ...letterQuery(meetingId, personId, version, tellAll, said),
    placeholderData: keepPreviousData,
    enabled: !useSending(meetingId),
  });
  return (
    <>
      <div className="flex items-baseline justify-between gap-4">
        <p className="min-w-0 truncate">
          <span className="text-muted">{t('readBack.subject')}</span> <strong>{data?.subject}</strong>
        </p>
        <Button look="quiet" className="whitespace-nowrap" onClick={() => setAsText(!asText)}>
          {asText ? t('readBack.asHtml') : t('readBack.asText')}
        </Button>
      </div>
      {asText ? (
        <pre className="min-h-0 flex-1 overflow-auto border border-line bg-sheet p-4 whitespace-pre-wrap" tabIndex={0}>
          {data?.text}
        </pre>
      ) : (
        <iframe
          title={t('readBack.letter')}
          sandbox=""
          src={`/api/meetings/${meetingId}/letter/${personId}/html?${letterAsked(version, tellAll, said)}`}
          className="min-h-0 w-full flex-1 border border-line bg-white"
        />
      )}
    </>
  );
}
