import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nPlanning';
import { ApiError } from '../lib/api';
import { EntryDialog } from '../ui/EntryDialog';
import { SelectField, TextField } from '../ui/Field';
import { blueprintsQuery, type Blueprint, type BlueprintEntry } from './blueprints';

type BlueprintDialogProps = {
  title: string;
  start: BlueprintEntry;
  /** The one that is changed, if it is not new. */
  of?: Blueprint;
  save: (entry: BlueprintEntry) => Promise<Blueprint>;
  saved: (blueprint: Blueprint) => void;
  close: () => void;
};

/** The name of a blueprint, with whom it is shared, and the words that go with its invitations. */
export function BlueprintDialog({ title, start, of, save, saved, close }: BlueprintDialogProps) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const { data } = useQuery(blueprintsQuery);
  const [entry, setEntry] = useState(start);
  const saving = useMutation({
    mutationFn: () => save(entry),
    onSuccess: async (blueprint) => {
      await client.invalidateQueries({ queryKey: blueprintsQuery.queryKey });
      close();
      saved(blueprint);
    },
  });
  const error = saving.error instanceof ApiError ? saving.error : null;
  // One shares with teams of one's own; with which it is shared already stays to be seen.
  const teams = [...(data?.teams ?? []), ...(of?.team && !data?.teams.some(({ id }) => id === of.team?.id) ? [of.team] : [])];
  return (
    <EntryDialog
      title={title}
      description={t('blueprint.about')}
      keep={() => saving.mutate()}
      error={saving.error}
      disabled={saving.isPending || entry.name.trim() === ''}
      close={close}
    >
      <TextField
        label={t('blueprint.name')}
        autoFocus
        maxLength={120}
        value={entry.name}
        error={error?.field('name')}
        onChange={(event) => setEntry({ ...entry, name: event.target.value })}
      />
      <SelectField
        label={t('blueprint.sharedWith')}
        value={entry.teamId ?? ''}
        onChange={(event) => setEntry({ ...entry, teamId: event.target.value || null })}
      >
        <option value="">{t('blueprint.nobody')}</option>
        {teams.map((team) => (
          <option key={team.id} value={team.id}>
            {team.name}
          </option>
        ))}
      </SelectField>
      <label className="flex flex-col gap-1">
        <span className="text-note font-semibold">{t('blueprint.words')}</span>
        <textarea
          className="w-full rounded border border-muted bg-sheet px-2 py-1"
          rows={3}
          maxLength={1000}
          value={entry.words}
          onChange={(event) => setEntry({ ...entry, words: event.target.value })}
        />
      </label>
    </EntryDialog>
  );
}
