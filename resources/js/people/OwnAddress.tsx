import '../lib/i18nMore';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { askForAddress, type Session } from './session';

/** Another address for one's own account. */
export function OwnAddress({ account }: { account: NonNullable<Session['account']> }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const ask = useMutation({ mutationFn: () => askForAddress(email, password), onSuccess: () => setOpen(false) });
  const error = ask.error instanceof ApiError ? ask.error : null;
  return (
    <div>
      <p>
        {t('settings.address')} {account.email}{' '}
        {!open && (
          <Button look="quiet" onClick={() => setOpen(true)}>
            {t('settings.changeAddress')}
          </Button>
        )}
      </p>
      {ask.isSuccess && !open && (
        <p role="status" className="font-semibold text-good">
          {t('settings.addressAsked', { old: account.email, address: email })}
        </p>
      )}
      {open && (
        <form
          className="mt-2 flex flex-col gap-3"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            ask.mutate();
          }}
        >
          <TextField
            label={t('settings.newAddress')}
            type="email"
            autoFocus
            value={email}
            error={error?.field('email')}
            onChange={(event) => setEmail(event.target.value)}
          />
          <TextField
            label={t('signIn.password')}
            type="password"
            autoComplete="current-password"
            value={password}
            error={error?.field('password')}
            onChange={(event) => setPassword(event.target.value)}
          />
          {error && Object.keys(error.errors).length === 0 && (
            <p role="alert" className="font-semibold text-broken">
              {error.message}
            </p>
          )}
          <div className="flex gap-4">
            <Button small type="submit" disabled={ask.isPending || email === '' || password === ''}>
              {t('settings.askAddress')}
            </Button>
            <Button look="quiet" onClick={() => setOpen(false)}>
              {t('action.cancel')}
            </Button>
          </div>
        </form>
      )}
    </div>
  );
}
