import '../lib/i18nMore';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ErrorNote } from '../ui/ErrorNote';
import { FIELDS, mapPeople, type Looked, type Mapping, type PersonField } from './peopleFiles';

/** Columns are being chosen: what would come of it is not known yet. */
export const CHOOSING = ['people-columns'];

/** The first rows of a file as it was read, and over each column what it holds. */
export function ColumnTable({ looked, setLooked }: { looked: Looked; setLooked: (looked: Looked) => void }) {
  const { t } = useTranslation();
  // What was chosen last counts, whether or not the answer is there yet; answers come in the order of the choices.
  const [wanted, setWanted] = useState({ mapping: looked.mapping, hasHeading: looked.hasHeading });
  const latest = useRef(wanted);
  const map = useMutation({
    mutationKey: CHOOSING,
    scope: { id: `columns-${looked.id}` },
    mutationFn: ({ mapping, hasHeading }: typeof wanted) => mapPeople(looked.id, mapping, hasHeading),
    onSuccess: (found, asked) => {
      if (asked === latest.current) {
        setLooked(found);
      }
    },
    onError: (_, asked) => {
      if (asked === latest.current) {
        latest.current = { mapping: looked.mapping, hasHeading: looked.hasHeading };
        setWanted(latest.current);
      }
    },
  });
  const ask = (change: Partial<typeof wanted>) => {
    latest.current = { ...latest.current, ...change };
    setWanted(latest.current);
    map.mutate(latest.current);
  };
  const fieldAt = (at: number): PersonField | '' => FIELDS.find((field) => wanted.mapping[field] === at) ?? '';
  const choose = (at: number, field: string) => {
    const mapping: Mapping = {};
    for (const one of FIELDS) {
      const there = latest.current.mapping[one];
      if (there !== undefined && there !== at && one !== field) {
        mapping[one] = there;
      }
    }
    ask({ mapping: field === '' ? mapping : { ...mapping, [field]: at } });
  };
  const rows = looked.columns[0]?.samples.length ?? 0;
  return (
    <>
      {looked.kind === 'csv' && (
        <p className="mb-2 flex flex-wrap items-baseline gap-x-6 gap-y-1">
          <label className="flex items-baseline gap-2">
            <input type="checkbox" checked={wanted.hasHeading} onChange={(event) => ask({ hasHeading: event.target.checked })} />
            {t('peopleFile.hasHeading')}
          </label>
          <span className="text-note text-muted">
            {t('peopleFile.dialect', {
              letters: looked.letters,
              delimiter: looked.delimiter === '\t' ? t('peopleFile.tab') : looked.delimiter,
            })}
          </span>
        </p>
      )}
      {map.error && <ErrorNote error={map.error} />}
      <div
        className="overflow-x-auto border-y border-line bg-sheet"
        aria-busy={map.isPending}
        role="region"
        tabIndex={0}
        aria-label={t('peopleFile.preview')}
      >
        <table className="min-w-full text-left">
          <thead>
            <tr>
              {looked.columns.map((column, at) => (
                <th key={at} scope="col" className="min-w-36 border-r border-line px-2 py-1.5 align-bottom font-normal last:border-r-0">
                  <span className="block truncate text-note text-muted">{column.heading || t('peopleFile.columnNo', { at: at + 1 })}</span>
                  <select
                    className="w-full rounded border border-muted bg-sheet px-1 py-1 font-semibold"
                    aria-label={t('peopleFile.holds', { column: column.heading || at + 1 })}
                    value={fieldAt(at)}
                    disabled={looked.kind === 'vcard'}
                    onChange={(event) => choose(at, event.target.value)}
                  >
                    <option value="">{t('peopleFile.ignored')}</option>
                    {FIELDS.map((field) => (
                      <option key={field} value={field}>
                        {t(`peopleFile.field.${field}`)}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: rows }, (_, row) => (
              <tr key={row} className="border-t border-line">
                {looked.columns.map((column, at) => (
                  <td
                    key={at}
                    className={`max-w-64 truncate border-r border-line px-2 py-1 last:border-r-0 ${fieldAt(at) === '' ? 'text-muted' : ''}`}
                  >
                    {column.samples[row]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
