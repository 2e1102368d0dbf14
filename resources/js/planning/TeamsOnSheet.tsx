import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { called, type Person } from '../people/people';
import { addTeam } from '../people/teams';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { Popover } from '../ui/Popover';
import type { Planned } from './board';
import type { Attendee } from './sheet';

type TeamsOnSheetProps = {
  teams: Planned['teams'];
  attendees: Attendee[];
  add: (people: Person[], teamId: string) => void;
  remove: (ids: string[]) => void;
};

const NAMED = 3;
const names = (people: Person[]) => people.slice(0, NAMED).map(called).join(', ') + (people.length > NAMED ? ' …' : '');

/** Each team that is asked, what has become of it since, and the way to take it out again. */
export function TeamsOnSheet({ teams, attendees, add, remove }: TeamsOnSheetProps) {
  const { t } = useTranslation();
  const byId = new Map(attendees.map(({ person }) => [person.id, person]));
  return (
    <ul>
      {teams.map((team) => {
        const asked = attendees.filter(({ teamId }) => teamId === team.id).map(({ person }) => person.id);
        const left = team.left.flatMap((id) => byId.get(id) ?? []);
        return asked.length === 0 ? null : (
          <li key={team.id} className="border-t border-line py-1" data-testid="team">
            <span className="flex items-baseline justify-between gap-2">
              <span className="min-w-0 truncate">
                <span className="font-semibold">{team.name}</span>{' '}
                <span className="text-note text-muted">{t('team.asked', { count: asked.length, of: team.size })}</span>
              </span>
              <Button look="quiet" aria-label={t('team.takeOutLong', { name: team.name })} onClick={() => remove(asked)}>
                {t('team.takeOut')}
              </Button>
            </span>
            {team.notAsked.length > 0 && (
              <p className="text-note text-muted">
                {t('team.notAsked', { names: names(team.notAsked) })}{' '}
                <Button look="quiet" onClick={() => add(team.notAsked, team.id)}>
                  {t('team.askThem', { count: team.notAsked.length })}
                </Button>
              </p>
            )}
            {left.length > 0 && (
              <p className="text-note text-odd">
                {t('team.left', { names: names(left), team: team.name })}{' '}
                <Button look="quiet" onClick={() => remove(team.left)}>
                  {t('team.takeThemOut', { count: left.length })}
                </Button>
              </p>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** Everybody on the sheet, kept as a team of that name. */
export function KeepAsTeam({ attendees }: { attendees: Attendee[] }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const keep = useMutation({
    mutationFn: () => addTeam({ name, personIds: attendees.map(({ person }) => person.id) }),
    onSuccess: async (team) => {
      setOpen(false);
      setName('');
      await client.invalidateQueries({ queryKey: ['teams'] });
      tell(t('team.kept', { name: team.name, count: team.size }));
    },
  });
  const error = keep.error instanceof ApiError ? keep.error : null;
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      label={t('team.keep')}
      trigger={
        <button type="button" className="changeable text-note">
          {t('team.keep')}
        </button>
      }
    >
      <form
        noValidate
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate();
        }}
      >
        <TextField
          label={t('team.name')}
          autoFocus
          maxLength={120}
          value={name}
          error={error ? (error.field('name') ?? error.message) : undefined}
          onChange={(event) => setName(event.target.value)}
        />
        <div className="flex justify-end">
          <Button look="main" type="submit" disabled={name.trim() === '' || keep.isPending}>
            {t('action.keep')}
          </Button>
        </div>
      </form>
    </Popover>
  );
}
