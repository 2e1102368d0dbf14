import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nAnswers';
import { shortDate } from '../lib/time';
import { called } from '../people/people';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { SAID, type Answers, type Said } from './answers';

type ByPhoneProps = {
  answers: Answers;
  pending: boolean;
  write: (answer: { personId: string; date: string | null; partstat: Said; comment: string }) => void;
};

/** An answer that somebody told the coordinator, who writes it down. */
export function ByPhone({ answers, pending, write }: ByPhoneProps) {
  const { t } = useTranslation();
  const [personId, setPersonId] = useState('');
  const [date, setDate] = useState('');
  const [partstat, setPartstat] = useState<Said>('accepted');
  const [comment, setComment] = useState('');
  const dates = answers.dates.filter((one) => personId === '' || one.said[personId] !== undefined);
  return (
    <form
      aria-labelledby="by-phone"
      className="flex flex-col gap-2 border-t border-line pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        write({ personId, date: date === '' ? null : date, partstat, comment });
        setComment('');
      }}
    >
      <h2 id="by-phone" className="text-note font-semibold text-muted">
        {t('answers.byPhone')}
      </h2>
      <SelectField label={t('answers.who')} value={personId} onChange={(event) => setPersonId(event.target.value)}>
        <option value="">{t('answers.choose')}</option>
        {answers.people.map(({ person }) => (
          <option key={person.id} value={person.id}>
            {called(person)}
          </option>
        ))}
      </SelectField>
      <SelectField label={t('answers.which')} value={date} onChange={(event) => setDate(event.target.value)}>
        <option value="">{t('answers.all')}</option>
        {dates.map((one) => (
          <option key={one.date} value={one.date}>
            {shortDate(one.local)}
          </option>
        ))}
      </SelectField>
      <SelectField label={t('answers.what')} value={partstat} onChange={(event) => setPartstat(event.target.value as Said)}>
        {SAID.map((one) => (
          <option key={one} value={one}>
            {t(`answers.will.${one}`)}
          </option>
        ))}
      </SelectField>
      <TextField label={t('answers.words')} value={comment} maxLength={1000} onChange={(event) => setComment(event.target.value)} />
      <p>
        <Button type="submit" disabled={pending || personId === ''}>
          {t('answers.write')}
        </Button>
      </p>
    </form>
  );
}
