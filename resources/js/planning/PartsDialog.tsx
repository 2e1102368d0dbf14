import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { clock, shortDate } from '../lib/time';
import { useDebounced } from '../lib/useDebounced';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { ErrorNote } from '../ui/ErrorNote';
import { SelectField, TextField } from '../ui/Field';
import { Toggles } from '../ui/Toggles';
import { EndFields } from './EndFields';
import type { Parts } from './meetings';
import { DAYS, forFrequency, numberedText, readNumbered, readNumbers } from './parts';
import { lookQuery, rulesQuery } from './series';
import { taken, type Sheet } from './sheet';
import { WeekdayField } from './WeekdayField';

export type PartsDialogProps = {
  sheet: Sheet;
  change: (next: Partial<Sheet>) => void;
  close: () => void;
};

/** Any rule by its parts, once the server has taken it apart. */
export function PartsDialog(props: PartsDialogProps) {
  const { data, isPlaceholderData, error, refetch } = useQuery(lookQuery(props.sheet));
  const { t } = useTranslation();
  if (data?.parts && !isPlaceholderData) {
    return <RuleByParts {...props} parts={data.parts} />;
  }
  return (
    error && (
      <Dialog open onOpenChange={props.close} title={t('parts.title')}>
        <ErrorNote error={error} retry={() => void refetch()} />
      </Dialog>
    )
  );
}

/** With what it comes to beside it: the sentence, the next ten dates, how many there are. */
function RuleByParts({ sheet, parts: given, change, close }: PartsDialogProps & { parts: Parts }) {
  const { t } = useTranslation();
  const [parts, setParts] = useState(given);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [agreed, setAgreed] = useState(false);
  const set = (next: Partial<Parts>) => {
    setAgreed(false);
    setParts({ ...parts, ...next });
  };
  const tried = useDebounced({ ...sheet, rule: parts, dropped: [] }, 200);
  const look = useQuery(lookQuery(tried));
  const failed = look.error instanceof ApiError ? look.error : null;
  const unread = Object.keys(typed).length > 0;
  const current = look.data && !look.isPlaceholderData && !failed && !unread && tried.rule === parts ? look.data : null;
  const error = (field: string) => failed?.field(`rule.${field}`);
  const elsewhere = failed && !Object.keys(failed.errors).some((field) => field.startsWith('rule.')) ? failed : null;
  const table = useQuery(rulesQuery(sheet.startLocal)).data;
  const asked = table?.lists[parts.frequency] ?? [];
  const numbered = table?.numbered.includes(parts.frequency) ?? false;
  const many = current?.many ?? false;

  const take = () => {
    if (current && (!many || agreed)) {
      change({ ...taken(current)(sheet), dropped: [], manyAgreed: many });
      close();
    } else if (current) {
      setAgreed(true);
    }
  };
  const list = (field: string, values: string, read: (text: string) => Partial<Parts> | null) => (
    <TextField
      key={field}
      label={t(`parts.${field}`)}
      hint={t(`parts.hint.${field}`, { defaultValue: '' })}
      value={typed[field] ?? values}
      error={field in typed ? t('parts.unreadable') : error(field)}
      onChange={(event) => {
        const next = read(event.target.value);
        const { [field]: _, ...others } = typed;
        setTyped(next ? others : { ...others, [field]: event.target.value });
        if (next) {
          set(next);
        }
      }}
    />
  );

  return (
    <Dialog open onOpenChange={close} title={t('parts.title')} wide>
      <form
        className="grid gap-6 md:grid-cols-[1fr_17rem]"
        onSubmit={(event) => {
          event.preventDefault();
          take();
        }}
      >
        <div className="flex min-w-0 flex-col gap-3">
          <div className="grid grid-cols-3 gap-3">
            <TextField
              label={t('parts.interval')}
              type="number"
              min={1}
              value={parts.interval}
              error={error('interval')}
              onChange={(event) => set({ interval: Math.round(Number(event.target.value)) })}
            />
            <SelectField
              label={t('parts.frequency')}
              value={parts.frequency}
              disabled={!table}
              error={error('frequency')}
              onChange={(event) => table && set(forFrequency(parts, event.target.value as Parts['frequency'], table))}
            >
              {(table?.frequencies ?? [parts.frequency])
                .filter((one) => table?.offered.includes(one) || one === parts.frequency)
                .map((one) => (
                  <option key={one} value={one}>
                    {t(`parts.unit.${one}`, { count: parts.interval })}
                  </option>
                ))}
            </SelectField>
            <WeekdayField label={t('parts.weekStart')} value={parts.weekStart} choose={(weekStart) => set({ weekStart })} />
          </div>
          <Toggles
            label={t('parts.days')}
            options={DAYS.map((day) => ({ value: day, label: t(`weekday.${day}`) }))}
            chosen={parts.days.filter((one) => one.nth === 0).map((one) => one.day)}
            choose={(days) => set({ days: [...days.map((day) => ({ nth: 0, day })), ...parts.days.filter((one) => one.nth !== 0)] })}
          />
          {error('days') && (
            <p role="alert" className="text-note font-semibold text-broken">
              {error('days')}
            </p>
          )}
          <Toggles
            label={t('parts.months')}
            options={Array.from({ length: 12 }, (_, index) => ({ value: index + 1, label: t(`monthShort.${index + 1}`) }))}
            chosen={parts.months}
            choose={(months) => set({ months })}
          />
          <div className="grid grid-cols-2 items-start gap-3">
            {numbered && list('numbered', numberedText(parts), (text) => readNumbered(text, parts))}
            {asked.map((field) =>
              list(field, parts[field].join(', '), (text) => {
                const numbers = readNumbers(text);
                return numbers && { [field]: numbers };
              }),
            )}
            {numbered && (
              <SelectField
                label={t('parts.skip')}
                value={parts.skip}
                error={error('skip')}
                hint={parts.skip === 'omit' ? undefined : t('parts.hint.skip')}
                onChange={(event) => set({ skip: event.target.value as Parts['skip'] })}
              >
                {(['omit', 'backward', 'forward'] as const).map((skip) => (
                  <option key={skip} value={skip}>
                    {t(`parts.skips.${skip}`)}
                  </option>
                ))}
              </SelectField>
            )}
            <EndFields ending={parts} set={set} startLocal={sheet.startLocal} proposedDays={365} error={error} />
          </div>
        </div>
        <div className="flex flex-col gap-2 border-line md:border-l md:pl-5" aria-live="polite">
          {elsewhere && (
            <p role="alert" className="font-semibold text-broken">
              {Object.values(elsewhere.errors)[0]?.[0] ?? elsewhere.message}
            </p>
          )}
          {failed && !elsewhere && <p className="text-muted">{t('parts.mend')}</p>}
          {!failed && look.data && (
            <div className={current ? '' : 'opacity-60'}>
              <p className="narrow font-semibold first-letter:uppercase">{look.data.sentence.map((piece) => piece.text).join('')}.</p>
              {look.data.odd.length > 0 && <p className="mt-1 text-note text-odd">{t('parts.odd', { parts: look.data.odd.join('; ') })}</p>}
              <p className="mt-2 text-note font-semibold text-muted">
                {look.data.dates === null
                  ? t('parts.open')
                  : look.data.complete
                    ? t('parts.dates', { count: look.data.dates })
                    : t('parts.moreDates', { count: look.data.dates })}
              </p>
              <ol className="mt-1" aria-label={t('parts.next')}>
                {look.data.next.map((wall) => (
                  <li key={wall} className="flex justify-between border-b border-line py-0.5">
                    <span>{shortDate(wall)}</span>
                    {!sheet.allDay && <span>{clock(wall)}</span>}
                  </li>
                ))}
              </ol>
            </div>
          )}
          <div className="mt-auto flex flex-col gap-2 pt-3">
            {agreed && many && (
              <p role="alert" className="border-l-4 border-odd pl-3 font-semibold">
                {t('parts.many', { count: current?.dates ?? 0 })}
              </p>
            )}
            <span className="self-end">
              <Button
                look="quiet"
                onClick={() => {
                  change({ rule: null, dropped: [] });
                  close();
                }}
              >
                {t('repeats.none')}
              </Button>
            </span>
            <span className="flex justify-end gap-3">
              <Button onClick={close}>{t('action.cancel')}</Button>
              <Button look="main" type="submit" disabled={!current}>
                {agreed && many ? t('parts.keepMany') : t('action.take')}
              </Button>
            </span>
          </div>
        </div>
      </form>
    </Dialog>
  );
}
