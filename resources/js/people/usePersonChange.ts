import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import '../lib/i18nMore';
import { ApiError } from '../lib/api';
import { useTell } from '../ui/Notice';
import { changePerson, type PersonChange, type PersonPage } from './person';

/** Keeps what is changed of somebody, says so, and offers to take it back. */
export function usePersonChange(person: PersonPage) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const refresh = () =>
    Promise.all([['person'], ['person-week'], ['people'], ['session']].map((queryKey) => client.invalidateQueries({ queryKey })));
  const was = (change: PersonChange): PersonChange =>
    Object.fromEntries(
      Object.keys(change).map((key) => [
        key,
        key === 'standInId'
          ? (person.standIn?.id ?? null)
          : key === 'keepsHolidays'
            ? person.keepsHolidays
            : (person[key as keyof PersonPage] ?? null),
      ]),
    );
  return useMutation({
    mutationFn: ({ change }: { change: PersonChange; done?: () => void }) => changePerson(person.id, change),
    onSuccess: async (_, { change, done }) => {
      await refresh();
      done?.();
      const before = was(change);
      tell(t('person.kept'), {
        seconds: 10,
        action: { label: t('action.undo'), run: () => void changePerson(person.id, before).then(refresh) },
      });
    },
    onError: (error) => {
      if (!(error instanceof ApiError) || Object.keys(error.errors).length === 0) {
        tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' });
      }
    },
  });
}
