import { useMutation, useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { useDebounced } from '../lib/useDebounced';
import { useOpenEntry } from './entries';
import type { Piece } from './meetings';
import { readSentence, sentenceQuery } from './series';
import { taken, type Sheet } from './sheet';

export type TypedSentenceProps = { sheet: Sheet; pieces: Piece[]; change: (next: Partial<Sheet>) => void; close: () => void };

const textOf = (pieces: Piece[]) => pieces.map((piece) => piece.text).join('');

/** The sentence as text, to be typed over: what it means is shown as one types, Enter takes it, Escape leaves the sheet as it was. */
export function TypedSentence({ sheet, pieces, change, close }: TypedSentenceProps) {
  const { t } = useTranslation();
  const field = useRef<HTMLInputElement>(null);
  const original = textOf(pieces);
  const [text, setText] = useState(original);
  const time = sheet.allDay ? null : sheet.startLocal;
  const rested = useDebounced(text, 250);
  const isTyped = text !== original && text.trim() !== '';
  const meant = useQuery({ ...sentenceQuery(rested, sheet, time), enabled: isTyped && rested === text });
  const read = useMutation({
    mutationFn: () => readSentence(text, sheet, time),
    onSuccess: ({ zone, allDay, durationMinutes, ...series }) => {
      change({ ...taken(series)(sheet), zone, allDay, durationMinutes });
      close();
    },
  });
  // Typed and not entered: taken before the sheet goes on, or left open with what is wrong.
  useOpenEntry(text !== original, () =>
    read.mutateAsync().then(
      () => true,
      () => {
        field.current?.focus();
        return false;
      },
    ),
  );
  const refusal = read.error ?? (isTyped && rested === text ? meant.error : null);
  const said =
    refusal && (refusal instanceof ApiError ? (Object.values(refusal.errors)[0]?.[0] ?? refusal.message) : t('failure.unexpected'));
  const corrected = refusal instanceof ApiError && typeof refusal.details['corrected'] === 'string' ? refusal.details['corrected'] : null;
  const take = (next: string) => {
    setText(next);
    read.reset();
    field.current?.focus();
  };
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
        aria-invalid={read.error ? true : undefined}
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
        role={read.error ? 'alert' : 'status'}
        className={`text-note leading-5 ${read.error ? 'font-semibold text-broken' : 'font-normal text-muted'}`}
      >
        {said ??
          (isTyped && meant.data ? (
            t(meant.data.usualTime ? 'typed.meansAtUsual' : 'typed.means', { sentence: textOf(meant.data.sentence) })
          ) : (
            <span className="for-keys">{t('typed.hint')}</span>
          ))}
      </span>
      {corrected && (
        <button type="button" className="changeable self-start text-note" onClick={() => take(corrected)}>
          {t('typed.take', { text: corrected })}
        </button>
      )}
    </form>
  );
}
