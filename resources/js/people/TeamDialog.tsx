import '../lib/i18nMore';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { EntryDialog } from '../ui/EntryDialog';
import { SelectField, TextField } from '../ui/Field';
import { addTeam, changeTeam, teamsQuery, type Team } from './teams';

type TeamDialogProps = { team: Team | null; close: () => void; saved?: (id: string) => void };

/** A team's name, and the one that it lies within. */
export function TeamDialog({ team, close, saved }: TeamDialogProps) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const { data: teams = [] } = useQuery(teamsQuery);
  const [given, setGiven] = useState({ name: team?.name ?? '', parentId: team?.parentId ?? null });
  const save = useMutation({
    mutationFn: () => (team ? changeTeam(team.id, given) : addTeam(given)),
    onSuccess: async (now) => {
      await Promise.all([['teams'], ['team']].map((queryKey) => client.invalidateQueries({ queryKey })));
      close();
      saved?.(now.id);
    },
  });
  const error = save.error instanceof ApiError ? save.error : null;
  return (
    <EntryDialog
      title={team ? t('team.change') : t('team.add')}
      keep={() => save.mutate()}
      error={save.error}
      disabled={save.isPending || given.name.trim() === ''}
      close={close}
    >
      <TextField
        label={t('team.name')}
        autoFocus
        maxLength={120}
        value={given.name}
        error={error?.field('name')}
        onChange={(event) => setGiven({ ...given, name: event.target.value })}
      />
      <SelectField
        label={t('team.within')}
        value={given.parentId ?? ''}
        error={error?.field('parentId')}
        onChange={(event) => setGiven({ ...given, parentId: event.target.value || null })}
      >
        <option value="">{t('team.nothing')}</option>
        {teams
          .filter((one) => one.id !== team?.id)
          .map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
      </SelectField>
    </EntryDialog>
  );
}
