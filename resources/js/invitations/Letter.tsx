import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../ui/Button';
import { letterQuery } from './readBack';

export type LetterProps = { meetingId: string; personId: string; version: number; tellAll?: boolean };

/** The mail as one recipient gets it, before it is sent. */
export function Letter({ meetingId, personId, version, tellAll = false }: LetterProps) {
  const { t } = useTranslation();
  const [asText, setAsText] = useState(false);
  const { data } = useQuery(letterQuery(meetingId, personId, version, tellAll));
  return (
    <>
      <div className="flex items-baseline justify-between gap-4">
        <p className="min-w-0 truncate">
          <span className="text-muted">{t('readBack.subject')}</span> <strong>{data?.subject}</strong>
        </p>
        <Button look="quiet" onClick={() => setAsText(!asText)}>
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
          src={`/api/meetings/${meetingId}/letter/${personId}/html?v=${version}${tellAll ? '&tellAll=1' : ''}`}
          className="min-h-0 w-full flex-1 border border-line bg-white"
        />
      )}
    </>
  );
}
