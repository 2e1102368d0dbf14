import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { SelectField, TextField } from '../ui/Field';
import type { SectionProps } from './WhatSection';
import { CLASSES, usualChoices } from './meetings';

const REMINDERS = [0, 5, 10, 15, 30, 60, 120, 1440, 10080];

/** What the entry says of itself in everybody's calendar. */
export function EntrySection({ sheet, change }: SectionProps) {
  const { t } = useTranslation();
  const { choices } = sheet;
  const set = (next: Partial<typeof choices>) => change({ choices: { ...choices, ...next } });
  const isUsual = JSON.stringify(choices) === JSON.stringify(usualChoices);
  const [typed, setTyped] = useState(choices.categories.join(', '));
  const reminders = [...new Set([...REMINDERS, ...(choices.reminderMinutes === null ? [] : [choices.reminderMinutes])])].toSorted(
    (a, b) => a - b,
  );
  return (
    <details className="border-t border-line pt-2" open={!isUsual || undefined}>
      <summary className="cursor-pointer text-note font-semibold text-muted">{t('entry.title')}</summary>
      <div className="mt-2 flex flex-col gap-2">
        {!sheet.allDay && (
          <SelectField
            label={t('entry.reminder')}
            value={choices.reminderMinutes ?? 'none'}
            onChange={(event) => set({ reminderMinutes: event.target.value === 'none' ? null : Number(event.target.value) })}
          >
            <option value="none">{t('entry.noReminder')}</option>
            {reminders.map((minutes) => (
              <option key={minutes} value={minutes}>
                {minutes === 0
                  ? t('entry.atStart')
                  : minutes % 1440 === 0
                    ? t('entry.daysAhead', { count: minutes / 1440 })
                    : minutes % 60 === 0
                      ? t('entry.hoursAhead', { count: minutes / 60 })
                      : t('entry.minutesAhead', { count: minutes })}
              </option>
            ))}
          </SelectField>
        )}
        <SelectField
          label={t('entry.class')}
          value={choices.class}
          onChange={(event) => set({ class: event.target.value as (typeof CLASSES)[number] })}
        >
          {CLASSES.map((one) => (
            <option key={one} value={one}>
              {t(`entry.classes.${one}`)}
            </option>
          ))}
        </SelectField>
        <TextField
          label={t('entry.categories')}
          hint={t('entry.categoriesHint')}
          value={typed}
          maxLength={300}
          onChange={(event) => {
            setTyped(event.target.value);
            set({
              categories: [
                ...new Set(
                  event.target.value
                    .split(',')
                    .map((one) => one.trim())
                    .filter((one) => one !== ''),
                ),
              ]
                .slice(0, 10)
                .map((one) => one.slice(0, 60)),
            });
          }}
        />
        <label className="flex items-baseline gap-2">
          <input type="checkbox" checked={choices.takesNoTime} onChange={(event) => set({ takesNoTime: event.target.checked })} />
          {t('entry.takesNoTime')}
        </label>
        <label className="flex items-baseline gap-2">
          <input type="checkbox" checked={choices.notForwarded} onChange={(event) => set({ notForwarded: event.target.checked })} />
          {t('entry.notForwarded')}
        </label>
      </div>
    </details>
  );
}
