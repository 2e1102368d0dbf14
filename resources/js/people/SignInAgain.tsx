import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError, sendJson } from '../lib/api';
import { useRest } from '../lib/useRest';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { TextField } from '../ui/Field';
import { sessionQuery, sessionShape, type Session } from './session';

/** The session ended while a page was open: the page stays as it is, and goes on once its owner is back. */
export function SignInAgain({ account }: { account: NonNullable<Session['account']> }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const isAtRest = useRest();
  const [password, setPassword] = useState('');
  const signIn = useMutation({
    mutationFn: async () => {
      // What is under way with the old session must not answer after the new one has begun.
      await client.cancelQueries();
      return sendJson('POST', 'session', { email: account.email, password }, sessionShape);
    },
    onSuccess: (now) => {
      client.setQueryData(sessionQuery.queryKey, now);
      void client.invalidateQueries();
    },
  });
  return (
    <Dialog open={isAtRest} onOpenChange={() => undefined} title={t('again.title')} description={t('again.text', { email: account.email })}>
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          signIn.mutate();
        }}
      >
        <TextField
          label={t('signIn.password')}
          type="password"
          autoComplete="current-password"
          autoFocus
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        {signIn.error && (
          <p role="alert" className="font-semibold text-broken">
            {signIn.error instanceof ApiError ? signIn.error.message : t('failure.unexpected')}
          </p>
        )}
        <div className="flex items-center gap-4">
          <Button look="main" type="submit" disabled={signIn.isPending || password === ''}>
            {t('again.enter')}
          </Button>
          <Button look="quiet" onClick={() => window.location.assign('/')}>
            {t('again.other')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
