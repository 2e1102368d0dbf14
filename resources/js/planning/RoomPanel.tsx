import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import { InTheRoom, WhoGetsIn, type Beside } from '../joining/SettingSentences';
import type { Account, Setting } from '../joining/room';
import { RoomConflicts } from '../joining/RoomConflicts';
import { listed } from '../lib/time';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { ChoiceWord } from '../ui/SettingWords';
import { RoomPeople } from './RoomPeople';
import type { Sheet } from './sheet';
import type { RoomState } from './useRoom';

type RoomPanelProps = {
  room: RoomState;
  sheet: Sheet;
  nameOf: (id: string) => string;
  split: ((minutes: number, pause: number) => void) | null;
};

/** How a meeting's room is, in sentences: who gets in, what is so in it, who runs it. */
export function RoomPanel({ room, sheet, nameOf, split }: RoomPanelProps) {
  const { t } = useTranslation();
  const { data, values } = room;
  if (!data || !values) {
    return (
      <p role={room.query.isError ? 'alert' : 'status'} className="text-muted">
        {t(room.query.isError ? 'entryRules.failed' : 'entryRules.working')}
      </p>
    );
  }
  const beside = (setting: Setting): Beside => {
    const { lockedBy, offered } = data.settings[setting];
    const teams = lockedBy.filter((by) => by !== null);
    const note =
      lockedBy.length > 0
        ? teams.length > 0
          ? t('entryRules.lockedTeam', { names: listed(teams) })
          : t('entryRules.lockedHouse')
        : offered
          ? null
          : t('entryRules.notOffered', { account: data.account?.name ?? '' });
    return {
      fixed: lockedBy.length > 0 || (!offered && !data.settings[setting].chosen),
      note: note && <span className="ml-1.5 rounded border border-line px-1 text-note text-muted">{note}</span>,
    };
  };
  return (
    <>
      <Part title={t('entryRules.title')}>
        <WhoGetsIn values={values} beside={beside} set={room.set} />
      </Part>
      <RoomConflicts room={data} nameOf={nameOf} set={room.set} setAccount={room.setAccount} split={split} />
      <Part title={t('entryRules.inRoom')}>
        <InTheRoom values={values} beside={beside} set={room.set} />
        {values.recording && (
          <TextField
            label={t('entryRules.reason')}
            hint={t('entryRules.space', { megabytes: data.recordingMegabytes })}
            maxLength={200}
            value={sheet.room.reason ?? ''}
            onChange={(event) => room.setReason(event.target.value || null)}
          />
        )}
      </Part>
      <Part title={t('entryRules.runs')}>
        <RoomPeople sheet={sheet} set={room.setPeople} />
        {data.accounts.length > 0 && (
          <p>
            {t('entryRules.say.account')}{' '}
            <ChoiceWord
              label={t('entryRules.label.account')}
              value={data.account?.id ?? ''}
              disabled={false}
              choices={data.accounts.map((account, at) => ({
                value: account.id,
                name: at === 0 ? t('entryRules.accountUsual', { name: account.name }) : account.name,
                means: limits(account),
              }))}
              take={(id) => room.setAccount(id === data.accounts[0]?.id ? null : id)}
            />
            {data.account && <span className="text-muted">: {limits(data.account)}</span>}.
          </p>
        )}
      </Part>
      {!room.isUsual && (
        <p>
          <Button look="quiet" onClick={room.putBack}>
            {t('entryRules.usual')}
          </Button>
        </p>
      )}
    </>
  );

  function limits({ people, minutes }: Account): string {
    return t('entryRules.accountLimits', {
      people: people === null ? t('entryRules.anyPeople') : t('entryRules.upToPeople', { count: people }),
      minutes: minutes === null ? t('entryRules.anyLength') : t('entryRules.upToMinutes', { count: minutes }),
    });
  }
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="flex flex-col gap-1.5 leading-6">
      <h2 className="text-note font-semibold text-muted">{title}</h2>
      {children}
    </section>
  );
}
