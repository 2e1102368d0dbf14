import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError, send, sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { OutsidePage } from './OutsidePage';
import { sessionQuery, sessionShape, type Session } from './session';

export function SignInPage({ session }: { session: Session }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [forgot, setForgot] = useState(false);
  const signIn = useMutation({
    mutationFn: (given: { email: string; password: string }) => sendJson('POST', 'session', given, sessionShape),
    onSuccess: (now) => client.setQueryData(sessionQuery.queryKey, now),
  });
  const ask = useMutation({ mutationFn: () => send('POST', 'password/forgot', { email }) });

  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (forgot) {
      ask.mutate();
    } else {
      signIn.mutate({ email, password });
    }
  };
  const failed = forgot ? ask.error : signIn.error;

  return (
    <OutsidePage title={t(forgot ? 'signIn.forgotTitle' : 'signIn.title')}>
      <form onSubmit={submit} className="flex flex-col gap-4" noValidate>
        <TextField
          label={t('signIn.email')}
          type="email"
          autoComplete="username"
          autoFocus
          value={email}
          onChange={(e) => setEmail(e.target.value)}
        />
        {!forgot && (
          <TextField
            label={t('signIn.password')}
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(e) => setPassword(e.target.value)}
          />
        )}
        {failed && (
          <p role="alert" className="font-semibold text-broken">
            {failed instanceof ApiError ? failed.message : t('failure.unexpected')}
          </p>
        )}
        {ask.isSuccess && forgot && <p role="status">{t('signIn.mailed')}</p>}
        <div className="flex items-center gap-4">
          <Button look="main" type="submit" disabled={signIn.isPending || ask.isPending || email === ''}>
            {t(forgot ? 'signIn.mailLink' : 'signIn.enter')}
          </Button>
          <Button look="quiet" onClick={() => setForgot(!forgot)}>
            {t(forgot ? 'signIn.back' : 'signIn.forgot')}
          </Button>
        </div>
      </form>
      {session.demo && !forgot && (
        <section className="mt-8 border-t border-line pt-4">
          <h2 className="text-note font-semibold text-muted">{t('signIn.demo')}</h2>
          <ul>
            {session.demo.accounts.map((account) => (
              <li key={account.email} className="flex items-baseline justify-between gap-3 border-b border-line py-2">
                <span>
                  {account.name} <span className="text-muted">{t(`role.${account.role}`)}</span>
                </span>
                <Button
                  look="quiet"
                  onClick={() => signIn.mutate({ email: account.email, password: session.demo?.password ?? '' })}
                  aria-label={t('signIn.enterAs', { name: account.name })}
                >
                  {t('signIn.enter')}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </OutsidePage>
  );
}
