import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import { listed } from '../lib/time';
import { Button } from '../ui/Button';
import { Word } from '../ui/Word';
import type { Room, SomeSettings } from './room';
import { useNames } from './RoomConflicts';
import { countryName } from './SettingSentences';

type PhonesProps = { room: Room; pin: string | null; nameOf: (id: string) => string; set: (change: SomeSettings) => void };

/** The telephone numbers of where people are, as they are dialled there, and for whom. */
export function RoomPhones({ room, pin, nameOf, set }: PhonesProps) {
  const { t } = useTranslation();
  const names = useNames(nameOf);
  const also = room.settings.phonesAlso.value;
  const not = room.settings.phonesNot.value;
  const given = new Set([...room.phones.map(({ country }) => country), ...not]);
  return (
    <section aria-labelledby="room-phones" className="mt-5">
      <h2 id="room-phones" className="text-note font-semibold text-muted">
        {t('entryRules.phones.title')}
      </h2>
      {room.phones.length === 0 ? (
        <p className="text-muted">{t('entryRules.phones.none')}</p>
      ) : (
        <table className="w-full text-left">
          <thead className="text-note text-muted">
            <tr>
              {(['country', 'number', 'for'] as const).map((column) => (
                <th key={column} scope="col" className="py-1 pr-3 font-normal">
                  {t(`entryRules.phones.${column}`)}
                </th>
              ))}
              <th scope="col" className="sr-only">
                {t('entryRules.phones.remove')}
              </th>
            </tr>
          </thead>
          <tbody>
            {room.phones.map((phone) => (
              <tr key={phone.country} className="border-t border-line align-top">
                <td className="py-1.5 pr-3">{phone.name}</td>
                <td className="py-1.5 pr-3">
                  {phone.from && <span className="block">{t('entryRules.phones.nearest', { country: phone.from })}</span>}
                  {phone.numbers.map((number) => (
                    <span key={number.uri} className="block">
                      <strong className="tabular-nums">{number.text}</strong>{' '}
                      <span className="text-note text-muted">{t(number.free ? 'entryRules.phones.free' : 'entryRules.phones.paid')}</span>
                    </span>
                  ))}
                </td>
                <td className="py-1.5 pr-3">{names(phone.people)}</td>
                <td className="py-1.5 text-right">
                  <Button
                    look="quiet"
                    aria-label={t('entryRules.phones.removeLong', { country: phone.name })}
                    onClick={() =>
                      set(
                        phone.people.length === 0
                          ? { phonesAlso: also.filter((code) => code !== phone.country) }
                          : { phonesNot: [...not, phone.country] },
                      )
                    }
                  >
                    {t('entryRules.phones.remove')}
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-1 flex flex-wrap gap-x-4 text-muted">
        <Word label={t('entryRules.phones.add')} text={t('entryRules.phones.add')} className="text-ink">
          {(close) => (
            <ul className="flex max-h-72 flex-col gap-1 overflow-y-auto">
              {room.numberCountries
                .filter(({ code }) => !given.has(code))
                .map(({ code, name }) => (
                  <li key={code}>
                    <button
                      type="button"
                      className="w-full rounded px-2 py-0.5 text-left hover:bg-paper"
                      onClick={() => {
                        set({ phonesAlso: [...also, code] });
                        close();
                      }}
                    >
                      {name}
                    </button>
                  </li>
                ))}
            </ul>
          )}
        </Word>
        {not.length > 0 && (
          <span>
            {t('entryRules.phones.leftOut', { names: listed(not.map(countryName)) })}{' '}
            <Button look="quiet" onClick={() => set({ phonesNot: [] })}>
              {t('entryRules.phones.again')}
            </Button>
          </span>
        )}
        {pin && <span>{t('entryRules.phones.pin', { pin })}</span>}
      </p>
      {room.nowhere.length > 0 && <p className="text-muted">{t('entryRules.phones.nowhere', { names: names(room.nowhere) })}</p>}
    </section>
  );
}
