import { useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { Dialog as Radix } from 'radix-ui';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { useChooseFile } from '../imports/ImportArea';
import { useDebounced } from '../lib/useDebounced';
import { called, suggestQuery } from '../people/people';
import { blueprintsQuery, startFrom } from '../planning/blueprints';
import { meetingsQuery, startMeeting } from '../planning/meetings';

export type PaletteProps = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  plans: boolean;
  showKeys: () => void;
  openSettings: () => void;
};

const ITEM = 'flex cursor-pointer justify-between gap-4 rounded px-3 py-2 data-[selected=true]:bg-paper';

/** Reaches every page, meeting, person and action. */
export function Palette({ open, onOpenChange, plans, showKeys, openSettings }: PaletteProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const chooseFile = useChooseFile();
  const [typed, setTyped] = useState('');
  const asked = useDebounced(typed.trim(), 120);
  const meetings = useQuery({ ...meetingsQuery(asked, 'all', 1), enabled: open });
  const people = useQuery({ ...suggestQuery(asked), enabled: open && plans && asked !== '' });
  const blueprints = useQuery({ ...blueprintsQuery, enabled: open && plans });
  const run = (action: () => unknown) => {
    onOpenChange(false);
    setTyped('');
    action();
  };
  const actions = [
    ...(plans
      ? [
          { word: t('meetings.plan'), run: () => void startMeeting().then((meeting) => navigate(`/meetings/${meeting.id}/plan`)) },
          ...(blueprints.data?.blueprints ?? []).map(({ id, name }) => ({
            word: t('palette.planFrom', { name }),
            run: () => void startFrom(id).then((meeting) => navigate(`/meetings/${meeting.id}/plan`)),
          })),
          { word: t('now.title'), run: () => navigate('/now') },
          ...(chooseFile ? [{ word: t('import.fromFile'), run: chooseFile }] : []),
        ]
      : []),
    { word: t('room.today'), run: () => navigate('/') },
    { word: t('room.meetings'), run: () => navigate('/meetings') },
    ...(plans
      ? [
          { word: t('room.people'), run: () => navigate('/people') },
          { word: t('room.blueprints'), run: () => navigate('/blueprints') },
          { word: t('room.burden'), run: () => navigate('/burden') },
          { word: t('room.sent'), run: () => navigate('/sent') },
          { word: t('room.houseRules'), run: () => navigate('/house-rules') },
        ]
      : []),
    { word: t('me.settings'), run: openSettings },
    { word: t('keys.title'), run: showKeys },
  ].filter((action) => action.word.toLowerCase().includes(typed.trim().toLowerCase()));

  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[#0c121c]/50" />
        <Radix.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-[12vh] z-50 w-[min(36rem,calc(100vw-2rem))] -translate-x-1/2 rounded-lg bg-sheet text-ink shadow-xl"
        >
          <Radix.Title className="sr-only">{t('palette.title')}</Radix.Title>
          <Command shouldFilter={false} label={t('palette.title')}>
            <Command.Input
              value={typed}
              onValueChange={setTyped}
              placeholder={t('palette.placeholder')}
              className="w-full rounded-t-lg border-b border-line bg-sheet px-4 py-3 text-[1rem]"
            />
            <Command.List className="max-h-[50vh] overflow-y-auto p-1.5">
              <Command.Empty className="px-3 py-4 text-muted">{t('palette.nothing')}</Command.Empty>
              {actions.map((action) => (
                <Command.Item key={action.word} value={`action ${action.word}`} className={ITEM} onSelect={() => run(action.run)}>
                  {action.word}
                </Command.Item>
              ))}
              {asked !== '' &&
                meetings.data?.meetings.slice(0, 6).map((meeting) => (
                  <Command.Item
                    key={meeting.id}
                    value={`meeting ${meeting.id}`}
                    className={ITEM}
                    onSelect={() =>
                      run(() =>
                        navigate(`/meetings/${meeting.id}${meeting.status === 'draft' || meeting.status === 'kept' ? '/plan' : ''}`),
                      )
                    }
                  >
                    <span className="font-semibold">{meeting.title || t('sheet.untitled')}</span>
                    <span className="truncate text-muted">{t(`status.${meeting.status}`)}</span>
                  </Command.Item>
                ))}
              {people.data?.slice(0, 5).map((person) => (
                <Command.Item
                  key={person.id}
                  value={`person ${person.id}`}
                  className={ITEM}
                  onSelect={() => run(() => navigate(plans ? `/people/${person.id}` : `/meetings?q=${encodeURIComponent(called(person))}`))}
                >
                  <span>{called(person)}</span>
                  <span className="truncate text-muted">{t('palette.meetingsOf')}</span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
