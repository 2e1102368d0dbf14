import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { useOpenEntry } from './entries';
import type { Piece } from './meetings';
import { readSentence } from './series';
import { taken, type Sheet } from './sheet';

export type TypedSentenceProps = { sheet: Sheet; pieces: Piece[]; change: (next: Partial<Sheet>) => void; close: () => void };

/** The sentence as text, to be typed over: Enter takes what it means, Escape leaves the sheet as it was. */
export function TypedSentence({ sheet, pieces, change, close }: TypedSentenceProps) {
  const { t } = useTranslation();
  const field = useRef<HTMLInputElement>(null);
  const [text, setText] = useState(() => pieces.map((piece) => piece.text).join(''));
  const read = useMutation({
    mutationFn: () => readSentence(text, sheet.zone),
    onSuccess: ({ zone, allDay, durationMinutes, ...series }) => {
      change({ ...taken(series), zone, allDay, durationMinutes });
      close();
    },
  });
  // Typed and not entered: taken before the sheet goes on, or left open with what is wrong.
  const original = pieces.map((piece) => piece.text).join('');
  useOpenEntry(text !== original, () =>
    read.mutateAsync().then(
      () => true,
      () => {
        field.current?.focus();
        return false;
      },
    ),
  );
  const error =
    read.error &&
    (read.error instanceof ApiError
      ? (read.error.field('text') ?? Object.values(read.error.errors)[0]?.[0] ?? read.error.message)
      : t('failure.unexpected'));
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        read.mutate();
      }}
    >
      <input
        ref={field}
        aria-label={t('typed.label')}
        aria-invalid={error ? true : undefined}
        aria-describedby="typed-said"
        autoFocus
        maxLength={500}
        value={text}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setText(event.target.value);
          read.reset();
        }}
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            event.preventDefault();
            close();
          }
        }}
        className="narrow w-full rounded-md border border-muted bg-sheet px-2.5 py-1 text-25 font-semibold leading-8"
      />
      <span
        id="typed-said"
        role={error ? 'alert' : undefined}
        className={`text-note leading-5 ${error ? 'font-semibold text-broken' : 'font-normal text-muted'}`}
      >
        {error ?? t('typed.hint')}
      </span>
    </form>
  );
}
