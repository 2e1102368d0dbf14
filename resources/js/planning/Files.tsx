import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { Button } from '../ui/Button';
import { useTell } from '../ui/Notice';
import { addFile, fileHref, filesQuery, removeFile, sizeText, type MeetingFile } from './files';

/** Files that hang on a meeting; brought and taken away by whoever plans. */
export function Files({ meetingId, mayChange }: { meetingId: string; mayChange: boolean }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const { data } = useQuery(filesQuery(meetingId));
  const [leaving, setLeaving] = useState<string[]>([]);
  const again = () => client.invalidateQueries({ queryKey: ['files'] });
  const add = useMutation({
    mutationFn: (file: File) => {
      if (data && file.size > data.mostBytes) {
        throw new ApiError(422, 'too_large', t('attached.tooLarge', { size: sizeText(data.mostBytes) }));
      }
      return addFile(meetingId, file);
    },
    onSuccess: again,
  });
  // It goes once the notice has: until then it can come back.
  const remove = (file: MeetingFile) => {
    setLeaving((now) => [...now, file.id]);
    const timer = setTimeout(() => {
      void removeFile(meetingId, file.id)
        .catch((error: unknown) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }))
        .finally(() => void again().then(() => setLeaving((now) => now.filter((id) => id !== file.id))));
    }, 8000);
    tell(t('attached.removed', { name: file.name }), {
      seconds: 7,
      action: {
        label: t('action.undo'),
        run: () => {
          clearTimeout(timer);
          setLeaving((now) => now.filter((id) => id !== file.id));
        },
      },
    });
  };
  const files = data?.files.filter((file) => !leaving.includes(file.id)) ?? [];
  const error = add.error instanceof ApiError ? (add.error.field('file') ?? add.error.field('name') ?? add.error.message) : null;
  if (!mayChange && files.length === 0) {
    return null;
  }
  return (
    <>
      <ul aria-label={t('attached.label')}>
        {files.map((file) => (
          <li key={file.id} className="flex items-baseline justify-between gap-2 border-t border-line py-1">
            <a className="min-w-0 truncate hover:underline" href={fileHref(meetingId, file.id)} download>
              {file.name} <span className="text-note text-muted">{sizeText(file.size)}</span>
            </a>
            {mayChange && (
              <Button look="quiet" aria-label={t('attached.removeLong', { name: file.name })} onClick={() => remove(file)}>
                {t('attached.remove')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      {mayChange && (
        <p>
          <Button look="quiet" disabled={add.isPending} onClick={() => input.current?.click()}>
            {add.isPending ? t('attached.adding') : t('attached.add')}
          </Button>
          <input
            ref={input}
            type="file"
            hidden
            aria-label={t('attached.add')}
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) {
                add.mutate(file);
              }
            }}
          />
        </p>
      )}
      {error && (
        <p role="alert" className="text-note font-semibold text-broken">
          {error}
        </p>
      )}
    </>
  );
}
