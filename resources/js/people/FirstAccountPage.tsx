import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError, sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { ZonePicker } from '../ui/ZonePicker';
import { Popover } from '../ui/Popover';
import { OutsidePage } from './OutsidePage';
import { sessionQuery, sessionShape } from './session';

export function FirstAccountPage() {
  const { t } = useTranslation();
  const client = useQueryClient();
  const [given, setGiven] = useState({
    name: '',
    email: '',
    password: '',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
  });
  const [choosing, setChoosing] = useState(false);
  const make = useMutation({
    mutationFn: () => sendJson('POST', 'accounts/first', given, sessionShape),
    onSuccess: (now) => client.setQueryData(sessionQuery.queryKey, now),
  });
  const error = make.error instanceof ApiError ? make.error : null;

  return (
    <OutsidePage title={t('first.title')}>
      <p className="mb-4 text-muted">{t('first.about')}</p>
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <TextField
          label={t('first.name')}
          autoFocus
          autoComplete="name"
          value={given.name}
          error={error?.field('name')}
          onChange={(e) => setGiven({ ...given, name: e.target.value })}
        />
        <TextField
          label={t('signIn.email')}
          type="email"
          autoComplete="email"
          value={given.email}
          error={error?.field('email')}
          onChange={(e) => setGiven({ ...given, email: e.target.value })}
        />
        <TextField
          label={t('signIn.password')}
          type="password"
          autoComplete="new-password"
          hint={t('password.rule')}
          value={given.password}
          error={error?.field('password')}
          onChange={(e) => setGiven({ ...given, password: e.target.value })}
        />
        <p>
          {t('first.zone')}{' '}
          <Popover
            open={choosing}
            onOpenChange={setChoosing}
            label={t('zone.label')}
            trigger={
              <button type="button" className="changeable font-semibold">
                {given.zone}
              </button>
            }
          >
            <ZonePicker
              label={t('zone.label')}
              value={given.zone}
              onChoose={(zone) => {
                setGiven({ ...given, zone });
                setChoosing(false);
              }}
            />
          </Popover>
        </p>
        {error && Object.keys(error.errors).length === 0 && (
          <p role="alert" className="font-semibold text-broken">
            {error.message}
          </p>
        )}
        <Button look="main" type="submit" disabled={make.isPending}>
          {t('first.make')}
        </Button>
      </form>
    </OutsidePage>
  );
}
