import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import { ATTENDEES_MAY, type RoomChoices } from '../joining/room';
import { listed } from '../lib/time';
import { called, type Person } from '../people/people';
import { usePlans } from '../people/session';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { ChoiceWord } from '../ui/SettingWords';
import { Word } from '../ui/Word';
import type { Sheet } from './sheet';
import type { RoomState } from './useRoom';

type RoomPeopleProps = { sheet: Sheet; set: RoomState['setPeople'] };

/** Those of the attendees who have a part of their own in a meeting. */
export function RoomPeople({ sheet, set }: RoomPeopleProps) {
  const { t } = useTranslation();
  const others = sheet.attendees.map(({ person }) => person).filter(({ id }) => id !== sheet.hostId);
  const plans = usePlans();
  const everybody = sheet.attendees.map(({ person }) => person);
  return (
    <>
      <p>
        {plans && (
          <>
            {t('entryRules.say.coHosts')} <PeopleWord as="coHosts" people={others} chosen={sheet.room.coHosts} set={set} />;{' '}
          </>
        )}
        {t(plans ? 'entryRules.say.presenters' : 'entryRules.say.presentersAlone')}{' '}
        <PeopleWord as="presenters" people={others} chosen={sheet.room.presenters} set={set} />.
      </p>
      {plans && (
        <>
          <p>
            {t('entryRules.say.standIn')} <StandInWord people={others} chosen={sheet.room.standIn} take={(standIn) => set({ standIn })} />{' '}
            {t('entryRules.say.standInAfter')}
          </p>
          <p>
            {t('entryRules.say.changing')} <MayWord of="changing" value={sheet.room.changing} set={set} />{' '}
            {t('entryRules.say.changingAfter')} <MayWord of="inviting" value={sheet.room.inviting} set={set} />{' '}
            {t('entryRules.say.invitingAfter')}
          </p>
        </>
      )}
      {sheet.joinMode === 'both' && (
        <p>
          {t('entryRules.say.inRoom')} <PeopleWord as="inRoom" people={everybody} chosen={sheet.room.inRoom} set={set} />;{' '}
          {t('entryRules.say.inRoomAfter')}
        </p>
      )}
      <p>
        {t('entryRules.say.smallRooms')} <SmallRoomsWord people={everybody} rooms={sheet.room.smallRooms} set={set} />.
      </p>
      <p>
        {t('entryRules.say.interpreters')} <InterpretersWord people={everybody} chosen={sheet.room.interpreters} set={set} />.
      </p>
    </>
  );
}

type MayWordProps = { of: 'changing' | 'inviting'; value: RoomChoices['changing']; set: RoomState['setPeople'] };

/** Who of those who attend may do what else only those do who plan. */
function MayWord({ of, value, set }: MayWordProps) {
  const { t } = useTranslation();
  return (
    <ChoiceWord
      label={t(`entryRules.label.${of}`)}
      value={value}
      disabled={false}
      choices={ATTENDEES_MAY.map((one) => ({ value: one, name: t(`entryRules.may.${one}`), means: t(`entryRules.may.${one}Means`) }))}
      take={(next) => set({ [of]: next } as Partial<RoomChoices>)}
    />
  );
}

type PeopleWordProps = {
  as: 'coHosts' | 'presenters' | 'inRoom';
  people: Person[];
  chosen: string[];
  set: RoomState['setPeople'];
};

function PeopleWord({ as, people, chosen, set }: PeopleWordProps) {
  const { t } = useTranslation();
  const names = people.filter(({ id }) => chosen.includes(id)).map(called);
  return (
    <Word
      label={t(`entryRules.label.${as}`)}
      text={names.length > 0 ? listed(names) : t(as === 'inRoom' ? 'entryRules.nobodyAtAll' : 'entryRules.nobody')}
      className="font-semibold"
    >
      {() => (
        <Boxes
          legend={t(`entryRules.label.${as}`)}
          people={people}
          chosen={chosen}
          take={(ids) => set({ [as]: ids } as Partial<RoomChoices>)}
        />
      )}
    </Word>
  );
}

type BoxesProps = { legend: string; people: Person[]; chosen: string[]; take: (ids: string[]) => void };

function Boxes({ legend, people, chosen, take }: BoxesProps) {
  const { t } = useTranslation();
  return (
    <fieldset className="flex max-h-72 flex-col gap-1.5 overflow-y-auto">
      <legend className="mb-1 text-note font-semibold text-muted">{legend}</legend>
      {people.map((person) => (
        <label key={person.id} className="flex items-baseline gap-2">
          <input
            type="checkbox"
            checked={chosen.includes(person.id)}
            onChange={(event) => take(event.target.checked ? [...chosen, person.id] : chosen.filter((id) => id !== person.id))}
          />
          {called(person)}
        </label>
      ))}
      {people.length === 0 && <p className="text-muted">{t('entryRules.nobody')}</p>}
    </fieldset>
  );
}

function StandInWord({ people, chosen, take }: { people: Person[]; chosen: string | null; take: (id: string | null) => void }) {
  const { t } = useTranslation();
  const person = people.find(({ id }) => id === chosen);
  return (
    <Word label={t('entryRules.label.standIn')} text={person ? called(person) : t('entryRules.nobodyAtAll')} className="font-semibold">
      {(close) => (
        <fieldset className="flex max-h-72 flex-col gap-1.5 overflow-y-auto">
          <legend className="mb-1 text-note font-semibold text-muted">{t('entryRules.label.standIn')}</legend>
          {[null, ...people].map((one) => (
            <label key={one?.id ?? ''} className="flex items-baseline gap-2">
              <input
                type="radio"
                name="stand-in"
                checked={(one?.id ?? null) === (person?.id ?? null)}
                onChange={() => {
                  take(one?.id ?? null);
                  close();
                }}
              />
              {one ? called(one) : t('entryRules.nobodyAtAll')}
            </label>
          ))}
        </fieldset>
      )}
    </Word>
  );
}

const MOST_ROOMS = 50;

type SmallRoomsProps = { people: Person[]; rooms: RoomChoices['smallRooms']; set: RoomState['setPeople'] };

/** Smaller rooms, and who is led into which: nobody can be in two. */
function SmallRoomsWord({ people, rooms, set }: SmallRoomsProps) {
  const { t } = useTranslation();
  const put = (smallRooms: RoomChoices['smallRooms']) => set({ smallRooms });
  const inAnother = (at: number) => new Set(rooms.flatMap((room, other) => (other === at ? [] : room.people)));
  const spread = () =>
    put(rooms.map((room, at) => ({ ...room, people: people.filter((_, place) => place % rooms.length === at).map(({ id }) => id) })));
  return (
    <Word
      label={t('entryRules.label.smallRooms')}
      text={
        rooms.length === 0
          ? t('entryRules.smallRooms.none')
          : listed(rooms.map((room) => t('entryRules.smallRooms.room', { name: room.name, count: room.people.length })))
      }
      className="font-semibold"
    >
      {() => (
        <div className="flex max-h-96 w-72 flex-col gap-3 overflow-y-auto">
          {rooms.map((room, at) => {
            const taken = inAnother(at);
            return (
              <div key={at} className="flex flex-col gap-1 border-b border-line pb-2">
                <TextField
                  label={t('entryRules.smallRooms.name', { number: at + 1 })}
                  value={room.name}
                  maxLength={80}
                  onChange={(event) => put(rooms.map((one, other) => (other === at ? { ...one, name: event.target.value } : one)))}
                />
                <Boxes
                  legend={t('entryRules.smallRooms.people', { name: room.name })}
                  people={people.filter(({ id }) => !taken.has(id))}
                  chosen={room.people}
                  take={(ids) => put(rooms.map((one, other) => (other === at ? { ...one, people: ids } : one)))}
                />
                <p>
                  <Button look="quiet" onClick={() => put(rooms.filter((_, other) => other !== at))}>
                    {t('entryRules.smallRooms.remove', { name: room.name })}
                  </Button>
                </p>
              </div>
            );
          })}
          <p className="flex flex-wrap gap-x-4">
            <Button
              look="quiet"
              disabled={rooms.length >= MOST_ROOMS}
              onClick={() => put([...rooms, { name: t('entryRules.smallRooms.named', { number: rooms.length + 1 }), people: [] }])}
            >
              {t('entryRules.smallRooms.add')}
            </Button>
            {rooms.length > 1 && (
              <Button look="quiet" onClick={spread}>
                {t('entryRules.smallRooms.spread')}
              </Button>
            )}
          </p>
        </div>
      )}
    </Word>
  );
}

/** Languages into which people interpret: by their codes (ISO 639), named by the browser (CLDR). */
const SPOKEN =
  'ar bg bn cs da de el en es et fa fi fr ga he hi hr hu id is it ja ko lt lv ms mt nl no pl pt ro ru sk sl sq sr sv sw ta th tr uk ur vi zh'.split(
    ' ',
  );
const languageNames = new Intl.DisplayNames(['en'], { type: 'language' });
const languageName = (code: string) => languageNames.of(code) ?? code;

type InterpretersProps = { people: Person[]; chosen: RoomChoices['interpreters']; set: RoomState['setPeople'] };

function InterpretersWord({ people, chosen, set }: InterpretersProps) {
  const { t } = useTranslation();
  const [personId, setPersonId] = useState('');
  const [from, setFrom] = useState('en');
  const [to, setTo] = useState('es');
  const nameOf = (id: string) => called(people.find((person) => person.id === id) ?? { name: '?', email: '?' });
  const said = (one: RoomChoices['interpreters'][number]) =>
    t('entryRules.interpreters.said', { name: nameOf(one.personId), from: languageName(one.from), to: languageName(one.to) });
  const isThere = chosen.some((one) => one.personId === personId && one.from === from && one.to === to);
  return (
    <Word
      label={t('entryRules.label.interpreters')}
      text={chosen.length === 0 ? t('entryRules.nobodyAtAll') : listed(chosen.map(said))}
      className="font-semibold"
    >
      {() => (
        <form
          className="flex w-72 flex-col gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            set({ interpreters: [...chosen, { personId, from, to }] });
          }}
        >
          <ul>
            {chosen.map((one, at) => (
              <li key={said(one)} className="flex items-baseline justify-between gap-3">
                {said(one)}
                <Button look="quiet" onClick={() => set({ interpreters: chosen.filter((_, other) => other !== at) })}>
                  {t('entryRules.interpreters.remove')}
                </Button>
              </li>
            ))}
          </ul>
          <SelectField label={t('entryRules.interpreters.who')} value={personId} onChange={(event) => setPersonId(event.target.value)}>
            <option value="">{t('entryRules.interpreters.choose')}</option>
            {people.map((person) => (
              <option key={person.id} value={person.id}>
                {called(person)}
              </option>
            ))}
          </SelectField>
          {(
            [
              ['from', from, setFrom],
              ['to', to, setTo],
            ] as const
          ).map(([which, value, take]) => (
            <SelectField
              key={which}
              label={t(`entryRules.interpreters.${which}`)}
              value={value}
              onChange={(event) => take(event.target.value)}
            >
              {SPOKEN.map((code) => (
                <option key={code} value={code}>
                  {languageName(code)}
                </option>
              ))}
            </SelectField>
          ))}
          <div className="flex justify-end">
            <Button look="main" type="submit" disabled={personId === '' || from === to || isThere}>
              {t('entryRules.interpreters.add')}
            </Button>
          </div>
        </form>
      )}
    </Word>
  );
}
