import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { clock, dateOf } from '../lib/time';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { TextField } from '../ui/Field';
import { Popover } from '../ui/Popover';
import { ZonePicker } from '../ui/ZonePicker';
import { DatesEditor } from './DatesEditor';
import type { Piece } from './meetings';
import { PartsDialog } from './PartsDialog';
import { EndEditor, RepeatsEditor } from './RepeatsEditor';
import { rulesQuery, type DateEdit } from './series';
import type { Sheet } from './sheet';

export type SentenceProps = {
  sheet: Sheet;
  pieces: Piece[];
  change: (next: Partial<Sheet>) => void;
  /** Moves the whole to another time of day: what that makes of it, the server says. */
  moveTo: (clock: string) => void;
  editDate: (edit: DateEdit) => void;
  editing: boolean;
  /** Opens what one date has of its own. */
  makeDiffer: (date: string) => void;
};

const LENGTHS = [15, 30, 45, 60, 75, 90, 120, 180];
const WITH_BREAK = new Set([15, 45, 75]);

/** The plain sentence that heads the sheet; its underlined parts open small editors. */
export function Sentence({ sheet, pieces, change, moveTo, editDate, editing, makeDiffer }: SentenceProps) {
  const { t } = useTranslation();
  const [byParts, setByParts] = useState(false);
  const dates = {
    label: t('singleDates.title'),
    editor: () => <DatesEditor sheet={sheet} edit={editDate} pending={editing} change={change} makeDiffer={makeDiffer} />,
    className: 'w-[25rem]',
  };
  const editors: Record<Exclude<Piece['part'], null>, { label: string; editor: (close: () => void) => ReactNode; className?: string }> = {
    repeats: {
      label: t('sheet.repeats'),
      editor: (close) => (
        <RepeatsEditor
          sheet={sheet}
          change={change}
          close={close}
          byParts={() => {
            close();
            setByParts(true);
          }}
        />
      ),
      className: 'w-96',
    },
    date: { label: t('sheet.start'), editor: (close) => <DateEditor sheet={sheet} change={change} close={close} withRepeats /> },
    start: { label: t('sheet.start'), editor: (close) => <DateEditor sheet={sheet} change={change} close={close} /> },
    time: { label: t('sheet.time'), editor: (close) => <TimeEditor sheet={sheet} moveTo={moveTo} close={close} /> },
    zone: {
      label: t('sheet.zone'),
      editor: (close) => (
        <ZonePicker
          label={t('sheet.zone')}
          value={sheet.zone}
          onChoose={(zone) => {
            change({ zone });
            close();
          }}
        />
      ),
    },
    length: { label: t('sheet.length'), editor: (close) => <LengthEditor sheet={sheet} change={change} close={close} /> },
    end: { label: t('sheet.end'), editor: (close) => <EndEditor sheet={sheet} change={change} close={close} /> },
    except: dates,
    also: dates,
  };

  return (
    <span>
      <Edit
        part="title"
        label={t('sheet.title')}
        text={sheet.title || t('sheet.untitled')}
        faint={sheet.title === ''}
        startOpen={sheet.title === ''}
      >
        {(close) => (
          <form
            onSubmit={(event) => {
              event.preventDefault();
              close();
            }}
          >
            <TextField
              label={t('sheet.title')}
              autoFocus
              maxLength={200}
              value={sheet.title}
              onChange={(event) => change({ title: event.target.value })}
            />
          </form>
        )}
      </Edit>
      {', '}
      {pieces.map((piece, index) => {
        const last = index === pieces.length - 1;
        if (piece.part === null) {
          return <span key={index}>{piece.text}</span>;
        }
        const { label, editor, className } = editors[piece.part];
        const edit =
          piece.part === 'repeats' && sheet.rule?.by === 'parts' ? (
            <button type="button" className="changeable text-left" aria-label={`${label}: ${piece.text}`} onClick={() => setByParts(true)}>
              {piece.text}
            </button>
          ) : (
            <Edit part={piece.part} label={label} text={piece.text} {...(className ? { className } : {})}>
              {editor}
            </Edit>
          );
        return last ? (
          <span key={piece.part} className={piece.text.length < 40 ? 'whitespace-nowrap' : ''}>
            {edit}.
          </span>
        ) : (
          <span key={piece.part}>{edit}</span>
        );
      })}
      {byParts && <PartsDialog sheet={sheet} change={change} close={() => setByParts(false)} />}
    </span>
  );
}

function Edit({
  part,
  label,
  text,
  children,
  faint = false,
  className,
  startOpen = false,
}: {
  part: string;
  label: string;
  text: string;
  children: (close: () => void) => ReactNode;
  faint?: boolean;
  className?: string | undefined;
  startOpen?: boolean;
}) {
  const [open, setOpen] = useState(startOpen);
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      label={label}
      {...(className ? { className } : {})}
      trigger={
        <button
          type="button"
          data-part={part}
          className={`changeable text-left ${faint ? 'text-muted' : ''}`}
          aria-label={`${label}: ${text}`}
        >
          {text}
        </button>
      }
    >
      {children(() => setOpen(false))}
    </Popover>
  );
}

type EditorProps = { sheet: Sheet; change: (next: Partial<Sheet>) => void; close: () => void };

function DateEditor({ sheet, change, close, withRepeats = false }: EditorProps & { withRepeats?: boolean }) {
  const { t } = useTranslation();
  const [date, setDate] = useState(dateOf(sheet.startLocal));
  // Pressed at once after the date was changed, it waits for what belongs to that date.
  const client = useQueryClient();
  const repeat = useMutation({
    mutationFn: () => client.ensureQueryData(rulesQuery(sheet.startLocal)),
    onSuccess: ({ usual }) => {
      change({ rule: usual });
      close();
    },
  });
  const take = (value: string) => {
    setDate(value);
    if (/^\d{4}-\d{2}-\d{2}$/.test(value) && Number(value.slice(0, 4)) >= 1970) {
      change({ startLocal: `${value}T${sheet.startLocal.slice(11)}` });
    }
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        close();
      }}
    >
      <TextField label={t('sheet.start')} type="date" autoFocus value={date} onChange={(event) => take(event.target.value)} />
      {repeat.error && <ErrorNote error={repeat.error} retry={() => repeat.mutate()} />}
      {withRepeats && (
        <Button small onClick={() => repeat.mutate()}>
          {t('sheet.makeSeries')}
        </Button>
      )}
    </form>
  );
}

/** Milliseconds of rest after which a typed time counts; leaving the field does not lose it. */
const TIME_REST = 500;

function TimeEditor({ sheet, moveTo, close }: { sheet: Sheet; moveTo: (clock: string) => void; close: () => void }) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState(clock(sheet.startLocal));
  const pending = useRef<string | null>(null);
  const latest = useRef(moveTo);
  useEffect(() => {
    latest.current = moveTo;
  });
  useEffect(() => {
    const timer = setTimeout(() => take(), TIME_REST);
    return () => clearTimeout(timer);
  }, [typed]);
  useEffect(() => () => take(), []);
  function take() {
    if (pending.current !== null) {
      latest.current(pending.current);
      pending.current = null;
    }
  }
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        close();
      }}
    >
      <TextField
        label={t('sheet.time')}
        type="time"
        step={300}
        autoFocus
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          if (/^\d{2}:\d{2}$/.test(event.target.value)) {
            pending.current = event.target.value;
          }
        }}
      />
    </form>
  );
}

function LengthEditor({ sheet, change, close }: EditorProps) {
  const { t } = useTranslation();
  const days = Math.max(1, Math.round(sheet.durationMinutes / 1440));
  return (
    <div className="flex flex-col gap-3">
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={sheet.allDay}
          onChange={(event) =>
            change(
              event.target.checked
                ? { allDay: true, durationMinutes: 1440, dropped: [], extra: [] }
                : { allDay: false, durationMinutes: 60, startLocal: `${dateOf(sheet.startLocal)}T09:00:00`, dropped: [], extra: [] },
            )
          }
        />
        {t('sheet.allDay')}
      </label>
      {sheet.allDay ? (
        <TextField
          label={t('sheet.days')}
          type="number"
          min={1}
          max={31}
          value={days}
          onChange={(event) => change({ durationMinutes: Math.max(1, Math.min(31, Number(event.target.value))) * 1440 })}
        />
      ) : (
        <ul className="flex flex-col" aria-label={t('sheet.length')}>
          {LENGTHS.map((minutes) => (
            <li key={minutes}>
              <button
                type="button"
                aria-pressed={minutes === sheet.durationMinutes}
                className={`flex w-full justify-between border-b border-line px-1 py-1.5 text-left hover:bg-paper ${minutes === sheet.durationMinutes ? 'font-semibold' : ''}`}
                onClick={() => {
                  change({ durationMinutes: minutes });
                  close();
                }}
              >
                {t('sheet.minutes', { count: minutes })}
                {WITH_BREAK.has(minutes) && <span className="text-note text-good">{t('sheet.leavesBreak')}</span>}
              </button>
            </li>
          ))}
        </ul>
      )}
      {!sheet.allDay && (
        <TextField
          label={t('sheet.otherLength')}
          type="number"
          min={15}
          max={1440}
          step={15}
          value={sheet.durationMinutes}
          onChange={(event) => {
            const minutes = Number(event.target.value);
            if (minutes >= 5 && minutes <= 1440 && minutes % 5 === 0) {
              change({ durationMinutes: minutes });
            }
          }}
        />
      )}
    </div>
  );
}
