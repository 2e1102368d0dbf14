import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import '../lib/i18nMore';
import { ApiError } from '../lib/api';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useTell } from '../ui/Notice';
import { comeBack, forget, handOver, handOverQuery, mergeInto } from './leaving';
import { called, type Person as Listed } from './people';
import type { PersonPage } from './person';

type LeavingProps = { person: PersonPage; choose: (take: (person: Listed) => void, taken: string[]) => ReactNode };

/** What ends with somebody: a colleague hands over, a guest is made one with another entry or forgotten. */
export function Leaving({ person, choose }: LeavingProps) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const [open, setOpen] = useState<'handOver' | 'merge' | 'forget' | null>(null);
  const back = useMutation({ mutationFn: () => comeBack(person.id), onSuccess: () => client.invalidateQueries() });
  const close = () => setOpen(null);
  if (person.kind === 'guest') {
    return (
      <>
        <Button onClick={() => setOpen('merge')}>{t('handing.merge')}</Button>
        <Button onClick={() => setOpen('forget')}>{t('handing.forget')}</Button>
        {open === 'merge' && <Merge person={person} choose={choose} close={close} />}
        {open === 'forget' && <Forget person={person} close={close} />}
      </>
    );
  }
  return person.left ? (
    <Button disabled={back.isPending} onClick={() => back.mutate()}>
      {t('handing.back')}
    </Button>
  ) : (
    <>
      <Button onClick={() => setOpen('handOver')}>{t('handing.handOver')}</Button>
      {open === 'handOver' && <HandOver person={person} choose={choose} close={close} />}
    </>
  );
}

function Said({ error }: { error: Error | null }) {
  const { t } = useTranslation();
  return error ? (
    <p role="alert" className="font-semibold text-broken">
      {error instanceof ApiError ? (Object.values(error.errors)[0]?.[0] ?? error.message) : t('failure.unexpected')}
    </p>
  ) : null;
}

function Chosen({ to, choose, clear, taken }: { to: Listed | null; choose: ReactNode; clear: () => void; taken: string }) {
  const { t } = useTranslation();
  return to ? (
    <p>
      <span className="font-semibold">{called(to)}</span> <span className="text-note text-muted">{to.name ? to.email : ''}</span>{' '}
      <Button look="quiet" onClick={clear}>
        {t('handing.another')}
      </Button>
    </p>
  ) : (
    <div>
      <p className="mb-1 text-note font-semibold text-muted">{taken}</p>
      {choose}
    </div>
  );
}

function HandOver({ person, choose, close }: LeavingProps & { close: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const { data } = useQuery(handOverQuery(person.id));
  const [to, setTo] = useState<Listed | null>(null);
  const [leaves, setLeaves] = useState(false);
  const name = called(person);
  const run = useMutation({
    mutationFn: () => handOver(person.id, to?.id ?? null, leaves),
    onSuccess: async ({ changes }) => {
      await client.invalidateQueries();
      close();
      tell(changes > 0 ? t('handing.handedOverChanges', { count: changes }) : t('handing.handedOver'));
    },
  });
  const nothing = data !== undefined && data.hosts + data.coordinates === 0;
  return (
    <Dialog
      open
      onOpenChange={close}
      title={t('handing.handOverOf', { name })}
      description={
        data === undefined
          ? ''
          : t('handing.has', {
              hosts: t('handing.hosts', { count: data.hosts }),
              coordinates: t('handing.coordinates', { count: data.coordinates }),
              asked: t('handing.asked', { count: data.asked }),
            })
      }
    >
      {!nothing && <Chosen to={to} choose={choose(setTo, [person.id])} clear={() => setTo(null)} taken={t('handing.to')} />}
      <label className="flex items-baseline gap-2">
        <input type="checkbox" checked={leaves} onChange={(event) => setLeaves(event.target.checked)} />
        {t('handing.leaves', { name })}
      </label>
      <p className="text-note text-muted">{t(leaves ? 'handing.leavesText' : 'handing.staysText')}</p>
      <Said error={run.error} />
      <div className="flex justify-end gap-3">
        <Button onClick={close}>{t('action.stay')}</Button>
        <Button look="main" disabled={run.isPending || (nothing && !leaves) || (!nothing && !to)} onClick={() => run.mutate()}>
          {t(leaves ? 'handing.letGo' : 'handing.handOver')}
        </Button>
      </div>
    </Dialog>
  );
}

function Merge({ person, choose, close }: LeavingProps & { close: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [into, setInto] = useState<Listed | null>(null);
  const run = useMutation({
    mutationFn: (id: string) => mergeInto(person.id, id),
    onSuccess: async (now) => {
      await navigate(`/people/${now.id}`);
      await client.invalidateQueries();
      tell(t('handing.merged', { name: called(now) }));
    },
  });
  return (
    <Dialog
      open
      onOpenChange={close}
      title={t('handing.mergeOf', { name: called(person) })}
      description={t('handing.mergeText', { email: person.email })}
    >
      <Chosen to={into} choose={choose(setInto, [person.id])} clear={() => setInto(null)} taken={t('handing.stays')} />
      <Said error={run.error} />
      <div className="flex justify-end gap-3">
        <Button onClick={close}>{t('action.stay')}</Button>
        <Button look="main" disabled={run.isPending || !into} onClick={() => into && run.mutate(into.id)}>
          {into ? t('handing.mergeInto', { name: called(into) }) : t('handing.merge')}
        </Button>
      </div>
    </Dialog>
  );
}

function Forget({ person, close }: { person: PersonPage; close: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const navigate = useNavigate();
  const run = useMutation({
    mutationFn: () => forget(person.id),
    onSuccess: async () => {
      await navigate('/people');
      await client.invalidateQueries({ queryKey: ['people'] });
      tell(t('handing.forgotten'));
    },
  });
  return (
    <Dialog open onOpenChange={close} title={t('handing.forgetOf', { name: called(person) })} description={t('handing.forgetText')}>
      <Said error={run.error} />
      <div className="flex justify-end gap-3">
        <Button onClick={close}>{t('action.stay')}</Button>
        <Button look="main" disabled={run.isPending} onClick={() => run.mutate()}>
          {t('handing.forgetNow')}
        </Button>
      </div>
    </Dialog>
  );
}
