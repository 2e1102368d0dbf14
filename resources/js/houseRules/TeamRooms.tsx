import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import * as z from 'zod/mini';
import '../lib/i18nRoom';
import { settingsShape, someSettingsShape, type Setting, type SomeSettings } from '../joining/room';
import { InTheRoom, WhoGetsIn } from '../joining/SettingSentences';
import { getJson, sendJson } from '../lib/api';
import { teamsQuery } from '../people/teams';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { SelectField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { Lock } from './Lock';

const shape = z.object({ id: z.string(), name: z.string(), values: settingsShape, own: someSettingsShape, locked: z.array(z.string()) });
type TeamRoom = z.infer<typeof shape>;

/** How rooms are whose host belongs to a team, where that is otherwise than in the house. */
export function TeamRooms({ mayChange }: { mayChange: boolean }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [id, setId] = useState('');
  const { data: teams = [] } = useQuery(teamsQuery);
  const key = ['team-room', id];
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => getJson(`house-rules/teams/${id}`, shape, signal),
    enabled: id !== '',
  });
  const save = useMutation({
    mutationFn: (room: { usual: SomeSettings; locked: string[]; was?: TeamRoom }) =>
      sendJson('PUT', `house-rules/teams/${id}`, { room: { usual: room.usual, locked: room.locked } }, shape),
    onSuccess: (now, { was }) => {
      client.setQueryData(key, now);
      tell(
        t('rules.kept'),
        was
          ? { seconds: 10, action: { label: t('action.undo'), run: () => save.mutate({ usual: was.own, locked: was.locked }) } }
          : undefined,
      );
    },
  });
  const put = (room: TeamRoom, change: { usual?: SomeSettings; locked?: string[] }) =>
    save.mutate({ usual: room.own, locked: room.locked, ...change, was: room });
  const beside = (room: TeamRoom) => (setting: Setting) => ({
    fixed: !mayChange,
    note: (
      <Lock
        label={t(`entryRules.label.${setting}`)}
        locked={room.locked.includes(setting)}
        toggle={
          mayChange
            ? () =>
                put(room, {
                  locked: room.locked.includes(setting) ? room.locked.filter((one) => one !== setting) : [...room.locked, setting],
                  // What is locked is said, whatever the house says later.
                  usual: { ...room.own, [setting]: room.values[setting] },
                })
            : null
        }
      />
    ),
  });
  return (
    <>
      <p className="text-muted">{t('entryRules.house.teamAbout')}</p>
      <div className="max-w-xs">
        <SelectField label={t('entryRules.house.team')} value={id} onChange={(event) => setId(event.target.value)}>
          <option value="">{t('entryRules.house.noTeam')}</option>
          {teams.map((team) => (
            <option key={team.id} value={team.id}>
              {team.name}
            </option>
          ))}
        </SelectField>
      </div>
      {(save.error ?? error) && <ErrorNote error={save.error ?? error} />}
      {data && data.id === id && (
        <>
          <WhoGetsIn values={data.values} beside={beside(data)} set={(change) => put(data, { usual: { ...data.own, ...change } })} />
          <InTheRoom values={data.values} beside={beside(data)} set={(change) => put(data, { usual: { ...data.own, ...change } })} />
          {mayChange && (Object.keys(data.own).length > 0 || data.locked.length > 0) && (
            <p>
              <Button look="quiet" onClick={() => put(data, { usual: {}, locked: [] })}>
                {t('entryRules.house.asHouse')}
              </Button>
            </p>
          )}
        </>
      )}
    </>
  );
}
