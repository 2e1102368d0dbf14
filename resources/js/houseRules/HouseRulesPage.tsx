import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import * as z from 'zod/mini';
import { getJson, sendJson } from '../lib/api';
import { useSession } from '../people/session';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';

const shape = z.object({ organisation: z.string(), organizer: z.enum(['meeting', 'host']), mailDomain: z.string() });
type Rules = z.infer<typeof shape>;
const rulesQuery = queryOptions({ queryKey: ['house-rules'], queryFn: ({ signal }) => getJson('house-rules', shape, signal) });

export function HouseRulesPage() {
  const { t } = useTranslation();
  const { data, error, refetch } = useQuery(rulesQuery);
  return (
    <Page title={t('room.houseRules')} heading={t('rules.heading')}>
      <main className="max-w-2xl px-5 py-4">
        {error && <ErrorNote error={error} retry={() => void refetch()} />}
        {data && <RulesForm rules={data} />}
      </main>
    </Page>
  );
}

function RulesForm({ rules }: { rules: Rules }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const session = useSession();
  const mayChange = session?.account?.role === 'administrator';
  const [given, setGiven] = useState(rules);
  const save = useMutation({
    mutationFn: () => sendJson('PUT', 'house-rules', { organisation: given.organisation, organizer: given.organizer }, shape),
    onSuccess: async (now) => {
      client.setQueryData(rulesQuery.queryKey, now);
      await client.invalidateQueries({ queryKey: ['session'] });
      tell(t('rules.kept'));
    },
  });
  return (
    <form
      className="flex flex-col gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      {!mayChange && <p className="text-muted">{t('rules.readOnly')}</p>}
      <TextField
        label={t('rules.organisation')}
        disabled={!mayChange}
        maxLength={120}
        required
        value={given.organisation}
        onChange={(event) => setGiven({ ...given, organisation: event.target.value })}
      />
      <fieldset disabled={!mayChange} className="flex flex-col gap-2">
        <legend className="mb-1 text-note font-semibold text-muted">{t('rules.organizer')}</legend>
        {(['meeting', 'host'] as const).map((one) => (
          <label key={one} className="flex items-start gap-2">
            <input
              type="radio"
              name="organizer"
              className="mt-1"
              checked={given.organizer === one}
              onChange={() => setGiven({ ...given, organizer: one })}
            />
            <span>
              {t(`rules.${one}`)} <span className="block text-note text-muted">{t(`rules.${one}Text`, { domain: rules.mailDomain })}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {save.error && <ErrorNote error={save.error} />}
      {mayChange && (
        <p>
          <Button look="main" type="submit" disabled={save.isPending}>
            {t('action.keep')}
          </Button>
        </p>
      )}
    </form>
  );
}
