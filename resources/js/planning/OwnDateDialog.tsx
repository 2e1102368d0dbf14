import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { shortDate } from '../lib/time';
import { called } from '../people/people';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { SelectField, TextField } from '../ui/Field';
import { AddPerson } from './AddPerson';
import { emptyOwn, ownOf, ownPeople, placeOfDate, withOwn } from './own';
import type { Attendee, OwnDate, Sheet } from './sheet';

const LENGTHS = [15, 30, 45, 60, 75, 90, 120, 180];

type OwnDateDialogProps = { sheet: Sheet; date: string; change: (next: Partial<Sheet>) => void; close: () => void };

/** What one date of a series has of its own: its length, title, place and people. */
export function OwnDateDialog({ sheet, date, change, close }: OwnDateDialogProps) {
  const { t } = useTranslation();
  const [own, setOwn] = useState<OwnDate>(ownOf(sheet, date));
  const set = (next: Partial<OwnDate>) => setOwn({ ...own, ...next });
  const people = own.people ?? sheet.attendees;
  const setPeople = (next: Attendee[]) => set({ people: ownPeople(sheet, next) });
  const known = [
    ...sheet.attendees,
    ...(own.people ?? []).filter(({ person }) => !sheet.attendees.some((one) => one.person.id === person.id)),
  ];
  const isOn = (id: string) => people.some(({ person }) => person.id === id);
  const take = (next: OwnDate) => {
    change({ own: withOwn(sheet, next) });
    close();
  };
  const lengths = [...new Set([...LENGTHS, sheet.durationMinutes, ...(own.minutes ? [own.minutes] : [])])].toSorted((a, b) => a - b);
  return (
    <Dialog
      open
      onOpenChange={close}
      title={t('ownDate.title', { date: shortDate(placeOfDate(sheet, date)) })}
      description={t('ownDate.text')}
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          take(own);
        }}
      >
        <TextField
          label={t('sheet.title')}
          value={own.title ?? ''}
          maxLength={200}
          placeholder={sheet.title || t('sheet.untitled')}
          onChange={(event) => set({ title: event.target.value === '' ? null : event.target.value })}
        />
        <div className="grid grid-cols-2 gap-3">
          {!sheet.allDay && (
            <SelectField
              label={t('ownDate.length')}
              value={own.minutes ?? ''}
              onChange={(event) => set({ minutes: event.target.value === '' ? null : Number(event.target.value) })}
            >
              <option value="">{t('ownDate.asSeries', { what: t('ownDate.minutes', { count: sheet.durationMinutes }) })}</option>
              {lengths
                .filter((minutes) => minutes !== sheet.durationMinutes)
                .map((minutes) => (
                  <option key={minutes} value={minutes}>
                    {t('ownDate.minutes', { count: minutes })}
                  </option>
                ))}
            </SelectField>
          )}
          <TextField
            label={t('join.place')}
            value={own.place ?? ''}
            maxLength={300}
            placeholder={sheet.place || t('ownDate.noPlace')}
            onChange={(event) => set({ place: event.target.value === '' ? null : event.target.value })}
          />
        </div>
        <fieldset>
          <legend className="mb-1 text-note font-semibold text-muted">{t('ownDate.people', { count: people.length })}</legend>
          <ul className="max-h-56 overflow-y-auto">
            {known.map(({ person, role }) => (
              <li key={person.id} className="border-t border-line py-1">
                <label className="flex items-baseline gap-2">
                  <input
                    type="checkbox"
                    checked={isOn(person.id)}
                    onChange={() =>
                      setPeople(isOn(person.id) ? people.filter((one) => one.person.id !== person.id) : [...people, { person, role }])
                    }
                  />
                  <span>{called(person)}</span>
                  {!sheet.attendees.some((one) => one.person.id === person.id) && (
                    <span className="text-note text-muted">{t('ownDate.onlyThen')}</span>
                  )}
                </label>
              </li>
            ))}
          </ul>
          <AddPerson
            taken={known.map(({ person }) => person.id)}
            add={(added) => setPeople([...people, ...added.map((person): Attendee => ({ person, role: 'required' }))])}
          />
        </fieldset>
        {people.length === 0 && <p className="text-note font-semibold text-odd">{t('ownDate.nobody')}</p>}
        <div className="mt-1 flex flex-wrap justify-end gap-3">
          <Button onClick={close}>{t('action.cancel')}</Button>
          {sheet.own.some((one) => one.date === date) && <Button onClick={() => take(emptyOwn(date))}>{t('ownDate.letGo')}</Button>}
          <Button look="main" type="submit" disabled={people.length === 0}>
            {t('action.take')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
