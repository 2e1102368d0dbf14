import { useTranslation } from 'react-i18next';
import * as z from 'zod/mini';
import { getJson } from '../lib/api';
import { useTell } from '../ui/Notice';

/** Puts things on the clipboard, and says whether the browser allowed it. */
export function useCopying(): {
  link: (link: string) => void;
  asText: (meetingId: string) => void;
  text: (text: string, done: string) => void;
} {
  const { t } = useTranslation();
  const tell = useTell();
  const copy = async (text: string | Promise<string>, done: string) => {
    try {
      await navigator.clipboard.writeText(await text);
      tell(done);
    } catch {
      tell(t('meeting.copyFailed'), { tone: 'broken' });
    }
  };
  return {
    link: (link) => void copy(link, t('meeting.linkCopied')),
    text: (text, done) => void copy(text, done),
    asText: (meetingId) =>
      void copy(
        getJson(`meetings/${meetingId}/text`, z.object({ text: z.string() })).then(({ text }) => text),
        t('meeting.textCopied'),
      ),
  };
}
