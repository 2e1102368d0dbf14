import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import * as z from 'zod/mini';
import { ApiError, sendJson } from '../lib/api';
import { useDebounced } from '../lib/useDebounced';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { ErrorNote } from '../ui/ErrorNote';
import { SelectField, TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Pager } from '../ui/Pager';
import { called, peopleQuery, type ListedPerson } from './people';
import { PeopleRooms } from './PeopleRooms';
import { PersonDialog } from './PersonDialog';
import { useSession } from './session';

/** The directory: colleagues and remembered guests, and for administrators the accounts. */
export function PeoplePage() {
  const { t } = useTranslation();
  const [q, setQ] = useState('');
  const [kind, setKind] = useState('');
  const [page, setPage] = useState(1);
  const [editing, setEditing] = useState(false);
  const isAdministrator = useSession()?.account?.role === 'administrator';
  const { data, error, refetch } = useQuery(peopleQuery(useDebounced(q, 150), kind, page));

  return (
    <Page
      title={t('room.people')}
      above={<PeopleRooms />}
      heading={data ? t('people.heading', { count: data.total }) : t('room.people')}
      aside={
        <Button look="main" onClick={() => setEditing(true)}>
          {t('people.add')}
        </Button>
      }
    >
      <main className="px-5 py-4">
        <div className="mb-3 grid max-w-2xl grid-cols-[2fr_1fr] gap-3">
          <TextField
            label={t('people.search')}
            type="search"
            value={q}
            placeholder={t('people.searchHint')}
            onChange={(event) => {
              setQ(event.target.value);
              setPage(1);
            }}
          />
          <SelectField
            label={t('people.which')}
            value={kind}
            onChange={(event) => {
              setKind(event.target.value);
              setPage(1);
            }}
          >
            <option value="">{t('people.everybody')}</option>
            <option value="colleague">{t('people.colleagues')}</option>
            <option value="guest">{t('people.guests')}</option>
          </SelectField>
        </div>
        {error && <ErrorNote error={error} retry={() => void refetch()} />}
        {data?.total === 0 && <p className="py-8 text-muted">{t(q === '' ? 'people.empty' : 'people.nothingFound')}</p>}
        <ul>
          {data?.people.map((person) => (
            <li
              key={person.id}
              className="grid grid-cols-1 gap-x-6 border-t border-line py-2 md:grid-cols-[2fr_1.2fr_1.2fr_1.4fr] md:items-baseline"
            >
              <p className="min-w-0">
                <Link className="inline-block min-h-6 font-semibold hover:underline" to={`/people/${person.id}`}>
                  {called(person)}
                </Link>
                <span className="block truncate text-note text-muted">{person.name ? person.email : ''}</span>
              </p>
              <p className="text-muted">
                {person.kind === 'guest' ? t('sheet.outside') : person.job}{' '}
                <Link
                  className="changeable ml-2 text-note"
                  to={`/people/${person.id}/away`}
                  aria-label={t('away.ofLong', { name: called(person) })}
                >
                  {t('away.of')}
                </Link>
              </p>
              <p>{person.city ?? <span className="text-muted">{t('people.noZone')}</span>}</p>
              <div className="text-muted">
                {person.kind === 'colleague' && isAdministrator ? (
                  <AccountControls person={person} />
                ) : person.account ? (
                  t(`role.${person.account.role}`)
                ) : (
                  ''
                )}
              </div>
            </li>
          ))}
        </ul>
        {data && <Pager page={data.page} pages={data.pages} total={data.total} go={setPage} />}
      </main>
      {editing && <PersonDialog person={null} close={() => setEditing(false)} />}
    </Page>
  );
}

const ROLES = ['colleague', 'coordinator', 'administrator'] as const;

function AccountControls({ person }: { person: ListedPerson }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [inviting, setInviting] = useState(false);
  const [role, setRole] = useState<string>('colleague');
  const done = async () => {
    await client.invalidateQueries({ queryKey: ['people'] });
    setInviting(false);
  };
  const failed = (error: unknown) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' });
  const invite = useMutation({
    mutationFn: () => sendJson('POST', 'accounts', { personId: person.id, role }, z.object({ id: z.string() })),
    onSuccess: () => {
      tell(t('account.invited', { email: person.email }));
      return done();
    },
    onError: failed,
  });
  const change = useMutation({
    mutationFn: (next: { role?: string; active?: boolean }) =>
      sendJson('PATCH', `accounts/${person.account?.id}`, next, z.object({ active: z.boolean() })),
    onSuccess: done,
    onError: failed,
  });
  if (!person.account) {
    return (
      <>
        <Button look="quiet" onClick={() => setInviting(true)} aria-label={t('account.inviteLong', { name: called(person) })}>
          {t('account.invite')}
        </Button>
        <Dialog
          open={inviting}
          onOpenChange={setInviting}
          title={t('account.inviteLong', { name: called(person) })}
          description={t('account.inviteText', { email: person.email })}
        >
          <SelectField label={t('account.role')} value={role} onChange={(event) => setRole(event.target.value)}>
            {ROLES.map((one) => (
              <option key={one} value={one}>
                {t(`role.${one}`)}
              </option>
            ))}
          </SelectField>
          <div className="flex justify-end gap-3">
            <Button onClick={() => setInviting(false)}>{t('action.stay')}</Button>
            <Button look="main" disabled={invite.isPending} onClick={() => invite.mutate()}>
              {t('account.invite')}
            </Button>
          </div>
        </Dialog>
      </>
    );
  }
  return (
    <span className="flex flex-wrap items-baseline gap-3">
      <select
        aria-label={t('account.roleOf', { name: called(person) })}
        className="rounded border border-muted bg-sheet px-1"
        value={person.account.role}
        onChange={(event) => change.mutate({ role: event.target.value })}
      >
        {ROLES.map((one) => (
          <option key={one} value={one}>
            {t(`role.${one}`)}
          </option>
        ))}
      </select>
      <Button
        look="quiet"
        onClick={() => change.mutate({ active: !person.account?.active })}
        aria-label={t(person.account.active ? 'account.deactivateLong' : 'account.activateLong', { name: called(person) })}
      >
        {person.account.active ? t('account.deactivate') : t('account.activate')}
      </Button>
    </span>
  );
}
