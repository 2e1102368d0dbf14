import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useParams } from 'react-router';
import { ApiError, sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { OutsidePage } from './OutsidePage';
import { sessionQuery, sessionShape } from './session';

export function SetPasswordPage() {
  const { t } = useTranslation();
  const { token = '' } = useParams();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [password, setPassword] = useState('');
  const set = useMutation({
    mutationFn: () => sendJson('POST', 'password', { token, password }, sessionShape),
    onSuccess: (now) => {
      client.setQueryData(sessionQuery.queryKey, now);
      void navigate('/', { replace: true });
    },
  });
  const error = set.error instanceof ApiError ? set.error : null;

  return (
    <OutsidePage title={t('password.title')}>
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          set.mutate();
        }}
      >
        <TextField
          label={t('signIn.password')}
          type="password"
          autoFocus
          autoComplete="new-password"
          hint={t('password.rule')}
          value={password}
          error={error?.field('password')}
          onChange={(e) => setPassword(e.target.value)}
        />
        {error && !error.field('password') && (
          <p role="alert" className="font-semibold text-broken">
            {error.message}
          </p>
        )}
        <Button look="main" type="submit" disabled={set.isPending}>
          {t('password.set')}
        </Button>
      </form>
    </OutsidePage>
  );
}
