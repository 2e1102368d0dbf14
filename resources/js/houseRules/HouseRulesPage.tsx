import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nMore';
import { shortDate } from '../lib/time';
import { HoursWord } from '../people/HoursWord';
import { useSession } from '../people/session';
import type { Setting, SomeSettings } from '../joining/room';
import { InTheRoom, WhoGetsIn } from '../joining/SettingSentences';
import { Awaited } from '../ui/Awaited';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { ChoiceWord, ListWord, NumberWord, SpanWord, TextWord } from '../ui/SettingWords';
import { Lock } from './Lock';
import { TeamRooms } from './TeamRooms';
import { Touched } from './Touched';
import { changeRules, rulesQuery, touchedQuery, type Rules, type RulesChange } from './rules';

/** What the organisation decides once for all: sentences, whose underlined words an administrator changes. */
export function HouseRulesPage() {
  const { t } = useTranslation();
  return (
    <Page title={t('room.houseRules')} heading={t('rules.heading')}>
      <Awaited query={useQuery(rulesQuery)}>{(rules) => <RulesInWords rules={rules} />}</Awaited>
    </Page>
  );
}

function RulesInWords({ rules }: { rules: Rules }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const mayChange = useSession()?.account?.role === 'administrator';
  const save = useMutation({
    mutationFn: ({ change }: { change: RulesChange; was?: RulesChange }) => changeRules(change),
    onSuccess: async (now, { was }) => {
      client.setQueryData(rulesQuery.queryKey, now);
      void client.invalidateQueries({ queryKey: touchedQuery.queryKey });
      await client.invalidateQueries({ queryKey: ['session'] });
      tell(
        t('rules.kept'),
        was ? { seconds: 10, action: { label: t('action.undo'), run: () => save.mutate({ change: was }) } } : undefined,
      );
    },
  });
  const set = (change: RulesChange) =>
    save.mutate({ change, was: Object.fromEntries(Object.keys(change).map((key) => [key, rules[key as keyof Rules]])) });
  const setRoom = (change: SomeSettings) =>
    set({ room: { ...rules.room, usual: { ...rules.room.usual, ...change } as Rules['room']['usual'] } });
  const besideRoom = (setting: Setting) => ({
    fixed: !mayChange,
    note: (
      <Lock
        label={t(`entryRules.label.${setting}`)}
        locked={rules.room.locked.includes(setting)}
        toggle={
          mayChange
            ? () =>
                set({
                  room: {
                    ...rules.room,
                    locked: rules.room.locked.includes(setting)
                      ? rules.room.locked.filter((one) => one !== setting)
                      : [...rules.room.locked, setting],
                  },
                })
            : null
        }
      />
    ),
  });
  const number = (rule: 'holdSeconds' | 'pauseMinutes' | 'noticeHours' | 'largeTeam' | 'fileMegabytes', least: number, most: number) => (
    <NumberWord
      label={t(`rules.label.${rule}`)}
      text={t(`rules.number.${rule}`, { count: rules[rule] })}
      value={rules[rule]}
      least={least}
      most={most}
      disabled={!mayChange}
      take={(value) => value !== null && set({ [rule]: value })}
    />
  );
  return (
    <main className="max-w-4xl px-5 py-4">
      {!mayChange && <p className="mb-3 text-muted">{t('rules.readOnly')}</p>}
      {save.error && <ErrorNote error={save.error} />}
      <Group title={t('rules.group.mail')}>
        <p>
          {t('rules.say.organisation')}{' '}
          <TextWord
            label={t('rules.organisation')}
            value={rules.organisation}
            disabled={!mayChange}
            take={(organisation) => set({ organisation })}
          />
          .
        </p>
        <p>
          {t('rules.organizer')}{' '}
          <ChoiceWord
            label={t('rules.organizer')}
            value={rules.organizer}
            disabled={!mayChange}
            choices={(['meeting', 'host'] as const).map((one) => ({
              value: one,
              name: t(`rules.${one}`),
              means: t(`rules.${one}Text`, { domain: rules.mailDomain }),
            }))}
            take={(organizer) => set({ organizer })}
          />
          . <span className="text-muted">{t(`rules.${rules.organizer}Text`, { domain: rules.mailDomain })}</span>
        </p>
        <p>
          {t('rules.say.reminder')}{' '}
          <NumberWord
            label={t('rules.label.reminderMinutes')}
            text={rules.reminderMinutes === null ? t('rules.noReminder') : t('rules.number.reminder', { count: rules.reminderMinutes })}
            value={rules.reminderMinutes}
            least={0}
            most={40_320}
            none={t('rules.noReminder')}
            disabled={!mayChange}
            take={(reminderMinutes) => set({ reminderMinutes })}
          />
          {t('rules.say.hides')}{' '}
          <ChoiceWord
            label={t('rules.label.hidesPeople')}
            value={rules.hidesPeople}
            disabled={!mayChange}
            choices={(['guests', 'always', 'never'] as const).map((one) => ({
              value: one,
              name: t(`rules.hides.${one}`),
              means: t(`rules.hides.${one}Text`),
            }))}
            take={(hidesPeople) => set({ hidesPeople })}
          />
          . <span className="text-muted">{t('rules.means.begun')}</span>
        </p>
        <p>
          {t('rules.say.hold')} {number('holdSeconds', 0, 60)}. <span className="text-muted">{t('rules.means.hold')}</span>
        </p>
        <p>
          {t('rules.say.keepMessages')}{' '}
          <NumberWord
            label={t('rules.label.keepMessagesMonths')}
            text={rules.keepMessagesMonths === null ? t('rules.forGood') : t('rules.number.keep', { count: rules.keepMessagesMonths })}
            value={rules.keepMessagesMonths}
            least={1}
            most={600}
            none={t('rules.forGood')}
            disabled={!mayChange}
            take={(keepMessagesMonths) => set({ keepMessagesMonths })}
          />
          .
        </p>
      </Group>
      <Group title={t('rules.group.time')}>
        <p>
          {t('rules.say.week')}{' '}
          <HoursWord
            label={t('rules.label.workingWeek')}
            hours={rules.workingWeek}
            none={t('rules.noWeek')}
            spoken={(hours) => `${t('rules.label.workingWeek')}: ${hours}`}
            pending={save.isPending}
            locked={!mayChange}
            take={(workingWeek, done) => {
              set({ workingWeek });
              done();
            }}
          />
          .
        </p>
        <p>
          {t('rules.say.holidays')}{' '}
          <ChoiceWord
            label={t('rules.label.holidays')}
            value={rules.holidays ? 'off' : 'work'}
            disabled={!mayChange}
            choices={[
              { value: 'off', name: t('rules.holidays.off'), means: t('rules.holidays.offText') },
              { value: 'work', name: t('rules.holidays.work'), means: t('rules.holidays.workText') },
            ]}
            take={(value) => set({ holidays: value === 'off' })}
          />
          {'; '}
          <ChoiceWord
            label={t('rules.label.holidaysOpen')}
            value={rules.open.holidays ? 'open' : 'locked'}
            disabled={!mayChange}
            choices={[
              { value: 'open', name: t('rules.holidaysOpen.open'), means: t('rules.holidaysOpen.openText') },
              { value: 'locked', name: t('rules.holidaysOpen.locked'), means: t('rules.holidaysOpen.lockedText') },
            ]}
            take={(value) => set({ open: { holidays: value === 'open' } })}
          />
          .
        </p>
        <p>
          {t('rules.say.pauseBefore')} {number('pauseMinutes', 0, 120)} {t('rules.say.pauseAfter')}{' '}
          <span className="text-muted">{t('rules.means.pause')}</span>
        </p>
        <p>
          {t('rules.say.notice')} {number('noticeHours', 0, 336)}
          {t('rules.say.most')}{' '}
          <NumberWord
            label={t('rules.label.mostADay')}
            text={rules.mostADay === null ? t('rules.noLimit') : t('rules.number.mostADay', { count: rules.mostADay })}
            value={rules.mostADay}
            least={1}
            most={20}
            none={t('rules.noLimit')}
            disabled={!mayChange}
            take={(mostADay) => set({ mostADay })}
          />
          {t('rules.say.quiet')}{' '}
          <SpanWord
            label={t('rules.label.quietHours')}
            none={t('rules.noQuiet')}
            value={rules.quietHours}
            disabled={!mayChange}
            take={(quietHours) => set({ quietHours })}
          />
          . <span className="text-muted">{t('rules.means.wishes')}</span>
        </p>
      </Group>
      <Group title={t('entryRules.house.title')}>
        <p className="text-muted">{t('entryRules.house.about')}</p>
        <Touched />
        <WhoGetsIn values={rules.room.usual} beside={besideRoom} set={setRoom} />
      </Group>
      <Group title={t('entryRules.inRoom')}>
        <InTheRoom values={rules.room.usual} beside={besideRoom} set={setRoom} />
      </Group>
      <Group title={t('entryRules.house.teams')}>
        <TeamRooms mayChange={mayChange} />
      </Group>
      <Group title={t('rules.group.people')}>
        <p>
          {t('rules.say.here')}{' '}
          <ChoiceWord
            label={t('rules.label.here')}
            value={rules.plannedHereIsAll ? 'yes' : 'no'}
            disabled={!mayChange}
            choices={(['yes', 'no'] as const).map((one) => ({
              value: one,
              name: t(`rules.here.${one}`),
              means: t(`rules.here.${one}Text`),
            }))}
            take={(value) => set({ plannedHereIsAll: value === 'yes' })}
          />
          .
        </p>
        <p>
          {t('rules.say.largeTeam')} {number('largeTeam', 2, 100_000)} {t('rules.say.largeTeamAfter')}
        </p>
        <p>
          {t('rules.say.forget')}{' '}
          <NumberWord
            label={t('rules.label.forgetGuestsMonths')}
            text={rules.forgetGuestsMonths === null ? t('rules.never') : t('rules.number.forget', { count: rules.forgetGuestsMonths })}
            value={rules.forgetGuestsMonths}
            least={1}
            most={600}
            none={t('rules.never')}
            disabled={!mayChange}
            take={(forgetGuestsMonths) => set({ forgetGuestsMonths })}
          />
          .{' '}
          <span className="text-muted">
            {t('rules.means.forget')}{' '}
            {rules.forgotten.lastAt &&
              t('rules.means.forgotten', { count: rules.forgotten.count, on: shortDate(rules.forgotten.lastAt.replace(' ', 'T')) })}
          </span>
        </p>
      </Group>
      <Group title={t('rules.group.outside')}>
        <p>
          {t('rules.say.feedHosts')}{' '}
          <ListWord
            label={t('rules.label.feedHosts')}
            hint={t('rules.feedHostsHint')}
            text={rules.feedHosts.length === 0 ? t('rules.nowhere') : rules.feedHosts.join(', ')}
            value={rules.feedHosts}
            disabled={!mayChange}
            take={(feedHosts) => set({ feedHosts })}
          />
          . <span className="text-muted">{t('rules.means.feedHosts')}</span>
        </p>
        <p>
          {t('rules.say.fileSize')} {number('fileMegabytes', 1, 50)}.
        </p>
      </Group>
    </main>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-t border-line py-3 first:border-t-0 md:grid md:grid-cols-[9rem_1fr] md:gap-4">
      <h2 className="font-semibold text-muted">{title}</h2>
      <div className="flex flex-col gap-2.5 leading-6">{children}</div>
    </section>
  );
}
