import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import '../lib/i18nPlanning';
import '../lib/i18nRoom';
import { ApiError } from '../lib/api';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { BlueprintDialog } from './BlueprintDialog';
import { blueprintWords } from './blueprintWords';
import { blueprintsQuery, changeBlueprint, deleteBlueprint, orderBlueprints, startFrom, type Blueprint } from './blueprints';

/** What meetings are started from: one's own, in one's own order, then those that teams share. */
export function BlueprintsPage() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const tell = useTell();
  const client = useQueryClient();
  const query = useQuery(blueprintsQuery);
  const [changing, setChanging] = useState<Blueprint | null>(null);
  const [deleting, setDeleting] = useState<Blueprint | null>(null);
  const start = useMutation({ mutationFn: startFrom, onSuccess: (meeting) => navigate(`/meetings/${meeting.id}/plan`) });
  const order = useMutation({
    mutationFn: orderBlueprints,
    onSuccess: (now) => client.setQueryData(blueprintsQuery.queryKey, now),
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const remove = useMutation({
    mutationFn: (blueprint: Blueprint) => deleteBlueprint(blueprint.id),
    onSuccess: async (_, { name }) => {
      setDeleting(null);
      await client.invalidateQueries({ queryKey: blueprintsQuery.queryKey });
      tell(t('blueprint.deleted', { name }));
    },
  });
  return (
    <Page
      title={t('blueprint.title')}
      heading={query.data ? t('blueprint.heading', { count: query.data.blueprints.length }) : t('blueprint.title')}
    >
      <main className="max-w-4xl px-5 py-4">
        {start.error && <ErrorNote error={start.error} />}
        <Awaited query={query}>
          {({ blueprints }) => {
            const own = blueprints.filter(({ owner }) => owner === null);
            const move = (id: string, by: number) => {
              const ids = own.map((one) => one.id);
              const at = ids.indexOf(id);
              ids.splice(at + by, 0, ...ids.splice(at, 1));
              order.mutate(ids);
            };
            return blueprints.length === 0 ? (
              <p className="py-8 text-muted">{t('blueprint.empty')}</p>
            ) : (
              <ul>
                {blueprints.map((blueprint) => {
                  const at = own.indexOf(blueprint);
                  return (
                    <li key={blueprint.id} className="flex items-start justify-between gap-6 border-t border-line py-3 first:border-t-0">
                      <div className="min-w-0">
                        <h2 className="narrow text-19 font-semibold break-words">{blueprint.name}</h2>
                        <p>{blueprintWords(t, blueprint)}</p>
                        <p className="flex flex-wrap items-baseline gap-x-4 text-note text-muted">
                          <span>
                            {[
                              t('blueprint.used', { count: blueprint.used }),
                              blueprint.owner ? t('blueprint.of', { name: blueprint.owner }) : '',
                              blueprint.team ? t('blueprint.shared', { team: blueprint.team.name }) : '',
                            ]
                              .filter(Boolean)
                              .join('; ')}
                          </span>
                          {blueprint.mayChange && (
                            <>
                              <Button
                                look="quiet"
                                aria-label={t('blueprint.changeLong', { name: blueprint.name })}
                                onClick={() => setChanging(blueprint)}
                              >
                                {t('blueprint.change')}
                              </Button>
                              {at > 0 && (
                                <Button
                                  look="quiet"
                                  aria-label={t('blueprint.upLong', { name: blueprint.name })}
                                  onClick={() => move(blueprint.id, -1)}
                                >
                                  {t('blueprint.up')}
                                </Button>
                              )}
                              {at >= 0 && at < own.length - 1 && (
                                <Button
                                  look="quiet"
                                  aria-label={t('blueprint.downLong', { name: blueprint.name })}
                                  onClick={() => move(blueprint.id, 1)}
                                >
                                  {t('blueprint.down')}
                                </Button>
                              )}
                              <Button
                                look="quiet"
                                aria-label={t('blueprint.deleteLong', { name: blueprint.name })}
                                onClick={() => setDeleting(blueprint)}
                              >
                                {t('blueprint.delete')}
                              </Button>
                            </>
                          )}
                        </p>
                      </div>
                      <Button
                        aria-label={t('blueprint.planLong', { name: blueprint.name })}
                        disabled={start.isPending}
                        onClick={() => start.mutate(blueprint.id)}
                      >
                        {t('blueprint.plan')}
                      </Button>
                    </li>
                  );
                })}
              </ul>
            );
          }}
        </Awaited>
      </main>
      {changing && (
        <BlueprintDialog
          title={t('blueprint.changeTitle', { name: changing.name })}
          of={changing}
          start={{ name: changing.name, teamId: changing.team?.id ?? null, words: changing.words }}
          save={(entry) => changeBlueprint(changing.id, entry)}
          saved={() => tell(t('blueprint.saved'))}
          close={() => setChanging(null)}
        />
      )}
      {deleting && (
        <Dialog
          open
          onOpenChange={() => setDeleting(null)}
          title={t('blueprint.deleteTitle', { name: deleting.name })}
          description={t('blueprint.deleteText')}
        >
          {remove.error && <ErrorNote error={remove.error} />}
          <div className="flex justify-end gap-3">
            <Button onClick={() => setDeleting(null)}>{t('action.stay')}</Button>
            <Button look="danger" disabled={remove.isPending} onClick={() => remove.mutate(deleting)}>
              {t('blueprint.delete')}
            </Button>
          </div>
        </Dialog>
      )}
    </Page>
  );
}
