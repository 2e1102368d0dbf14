import { useMutation } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import * as z from 'zod/mini';
import { ApiError, sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { OutsidePage } from './OutsidePage';

/** One of the two addresses agrees that an account moves; opening the page alone changes nothing. */
export function AgreeAddressPage() {
  const { t } = useTranslation();
  const { token = '' } = useParams();
  const agree = useMutation({
    mutationFn: () => sendJson('POST', 'address', { token }, z.object({ done: z.boolean(), address: z.string() })),
  });
  return (
    <OutsidePage title={t('address.title')}>
      {agree.data ? (
        <>
          <p role="status" className="mb-4">
            {t(agree.data.done ? 'address.done' : 'address.waiting', { address: agree.data.address })}
          </p>
          <Link className="changeable" to="/">
            {t('address.toSyndex')}
          </Link>
        </>
      ) : (
        <>
          <p className="mb-4">{t('address.text')}</p>
          {agree.error && (
            <p role="alert" className="mb-4 font-semibold text-broken">
              {agree.error instanceof ApiError ? agree.error.message : t('failure.unexpected')}
            </p>
          )}
          <Button look="main" disabled={agree.isPending} onClick={() => agree.mutate()}>
            {t('address.agree')}
          </Button>
        </>
      )}
    </OutsidePage>
  );
}
