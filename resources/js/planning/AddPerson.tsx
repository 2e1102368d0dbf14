import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCombobox } from 'downshift';
import { useId, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { useDebounced } from '../lib/useDebounced';
import {
  addressQuery,
  called,
  earlierQuery,
  rememberGuests,
  suggestQuery,
  written,
  type AddressCheck,
  type Person,
} from '../people/people';
import { usePlans } from '../people/session';
import { teamAsAsked, teamSuggestQuery, type ListedTeam, type TeamAsAsked } from '../people/teams';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useOpenEntry } from './entries';

export type AddPersonProps = {
  taken: string[];
  /** Who was found; and the team as which. */
  add: (people: Person[], teamId?: string) => void;
  /** Whether teams and everybody of an earlier meeting are offered too. */
  several?: boolean;
  /** Whether what is found takes room of its own beneath the field, as in a dialog, rather than lying over what is above. */
  beneath?: boolean;
};

type Choice =
  | { key: string; kind: 'person'; person: Person }
  | { key: string; kind: 'address'; address: string; corrected: boolean }
  | { key: string; kind: 'meeting'; title: string; people: Person[] }
  | { key: string; kind: 'team'; team: ListedTeam }
  | { key: string; kind: 'block'; addresses: string[]; left: number };

const looksLikeAddress = (text: string) => /[@<]/.test(text);
const isFine = (check: AddressCheck) => check.address !== null && check.problem === null;

/** One field for everybody: colleagues by name, guests by address, one or a block of them, checked as they are typed. */
export function AddPerson({ taken, add, several: offersMeetings = false, beneath = false }: AddPersonProps) {
  const { t } = useTranslation();
  const id = useId();
  const client = useQueryClient();
  const [field, setField] = useState<HTMLElement | null>(null);
  const [typed, setTyped] = useState('');
  const [unfinished, setUnfinished] = useState(false);
  const asked = useDebounced(typed.trim(), 120);
  const byAddress = looksLikeAddress(asked);
  const { data: found = [] } = useQuery({ ...suggestQuery(asked), enabled: asked !== '' && !/[,;\n]/.test(asked) });
  const plans = usePlans();
  const { data: earlier = [] } = useQuery({
    ...earlierQuery(asked),
    enabled: plans && offersMeetings && asked.length > 1 && !byAddress && !/[,;\n]/.test(asked),
  });
  const { data: teams = [] } = useQuery({
    ...teamSuggestQuery(asked),
    enabled: offersMeetings && asked.length > 1 && !byAddress && !/[,;\n]/.test(asked),
  });
  const { data: checks = [] } = useQuery({ ...addressQuery(asked), enabled: byAddress });
  const remember = useMutation({
    mutationFn: ({ addresses }: { addresses: string[]; rest: string }) => rememberGuests(addresses),
    onSuccess: (people, { rest }) => {
      add(people);
      clear(rest);
    },
  });

  const [large, setLarge] = useState<TeamAsAsked | null>(null);
  const team = useMutation({
    mutationFn: (id: string) => teamAsAsked(id),
    onSuccess: (found) => (found.isLarge ? setLarge(found) : add(found.people, found.id)),
  });

  const clear = (rest = '') => {
    setTyped(rest);
    setUnfinished(false);
    field?.focus();
  };
  const fresh = asked !== '' && typed.trim() === asked;
  const people = fresh && found.length > 0 && !/[,;\n]/.test(asked) ? found.filter((person) => !taken.includes(person.id)) : [];
  const several = fresh && byAddress && checks.length > 1;
  const check = fresh && byAddress && checks.length === 1 ? checks[0] : undefined;
  const known = people.some((person) => person.email === check?.address);
  const fine = several ? checks.filter(isFine) : [];
  const odd = several ? checks.filter((one) => !isFine(one)) : [];
  const choices: Choice[] = [
    ...people.map((person): Choice => ({ key: person.id, kind: 'person', person })),
    ...(fresh && offersMeetings && !byAddress ? teams.map((one): Choice => ({ key: one.id, kind: 'team', team: one })) : []),
    ...(fresh && offersMeetings && !byAddress
      ? earlier
          .map(({ id: key, title, people: all }): Choice => ({
            key,
            kind: 'meeting',
            title,
            people: all.filter((one) => !taken.includes(one.id)),
          }))
          .filter((choice) => choice.kind === 'meeting' && choice.people.length > 0)
      : []),
    ...(check?.suggestion ? [{ key: 'suggestion', kind: 'address' as const, address: check.suggestion, corrected: true }] : []),
    ...(check?.address && !known ? [{ key: 'address', kind: 'address' as const, address: written(check), corrected: false }] : []),
    ...(fine.length > 0 ? [{ key: 'block', kind: 'block' as const, addresses: fine.map(written), left: odd.length }] : []),
  ];
  const take = (choice: Choice | null) => {
    if (choice?.kind === 'person') {
      add([choice.person]);
      clear();
    } else if (choice?.kind === 'team') {
      team.mutate(choice.team.id);
      clear();
    } else if (choice?.kind === 'meeting') {
      add(choice.people);
      clear();
    } else if (choice?.kind === 'address') {
      remember.mutate({ addresses: [choice.address], rest: '' });
    } else if (choice) {
      // What cannot be taken stays in the field, to be mended.
      remember.mutate({ addresses: choice.addresses, rest: odd.map((one) => one.typed).join(', ') });
    }
  };

  // Typed and not entered: taken if it can only mean one thing, else pointed at.
  useOpenEntry(typed.trim() !== '', async () => {
    const text = typed.trim();
    const pointAt = () => {
      setUnfinished(true);
      field?.focus();
      return false;
    };
    try {
      if (looksLikeAddress(text)) {
        const now = await client.fetchQuery(addressQuery(text));
        if (now.length === 0 || !now.every(isFine)) {
          return pointAt();
        }
        add(await rememberGuests(now.map(written)));
      } else {
        const now = await client.fetchQuery(suggestQuery(text));
        const named = now.filter((person) => called(person).localeCompare(text, undefined, { sensitivity: 'base' }) === 0);
        if (named.length !== 1) {
          return pointAt();
        }
        add(named);
      }
    } catch {
      return pointAt();
    }
    setTyped('');
    setUnfinished(false);
    return true;
  });

  const { stateChangeTypes: by } = useCombobox;
  const box = useCombobox<Choice>({
    items: choices,
    itemToKey: (choice) => choice?.key,
    itemToString: () => '',
    inputValue: typed,
    selectedItem: null,
    isOpen: fresh,
    defaultHighlightedIndex: 0,
    // What is typed stays in the field until one is taken by a press or Enter: leaving the field takes nobody.
    stateReducer: (state, { type, changes }) => ({
      ...changes,
      inputValue: state.inputValue,
      highlightedIndex: type === by.InputBlur || type === by.MenuMouseLeave ? state.highlightedIndex : (changes.highlightedIndex ?? 0),
      selectedItem: type === by.ItemClick || type === by.InputKeyDownEnter ? (changes.selectedItem ?? null) : null,
    }),
    onSelectedItemChange: ({ selectedItem }) => take(selectedItem),
  });
  const problem = check ? (check.message ?? (check.problem === 'slip' ? t('add.slip') : null)) : null;
  const error = remember.error ?? team.error;
  const failed = error instanceof ApiError ? (Object.values(error.errors)[0]?.[0] ?? error.message) : null;
  const said = unfinished ? t('add.unfinished') : problem;

  return (
    <div className="relative mt-1">
      <textarea
        {...box.getInputProps({
          ref: (node: HTMLElement | null) => {
            setField(node);
          },
          id: 'add-person',
          'aria-label': t('add.label'),
          'aria-labelledby': undefined,
          'aria-describedby': said ? `${id}-problem` : undefined,
          'aria-invalid': unfinished ? true : undefined,
          onChange: (event) => {
            setTyped(event.currentTarget.value);
            box.setHighlightedIndex(0);
            setUnfinished(false);
          },
          onKeyDown: (event) => {
            if (event.key === 'Enter') {
              event.preventDefault();
            } else if (event.key === 'Escape') {
              setTyped('');
              setUnfinished(false);
            }
          },
        })}
        rows={1}
        placeholder={t('add.placeholder')}
        className={`block field-sizing-content max-h-24 w-full resize-none rounded-md border bg-sheet px-2.5 py-1.5 ${unfinished ? 'border-broken' : 'border-muted'}`}
      />
      <div
        hidden={!fresh}
        className={`rounded-md border border-line bg-sheet ${beneath ? 'mt-1' : 'absolute inset-x-0 bottom-full z-30 mb-1 shadow-xl'}`}
      >
        {said && (
          <p id={`${id}-problem`} role="status" className="border-b border-line px-2.5 py-1.5 text-note font-semibold text-odd">
            {said}
          </p>
        )}
        {several && (
          <ul className="max-h-48 overflow-y-auto border-b border-line px-2.5 py-1 text-note" aria-label={t('add.read')}>
            {checks.map((one, index) => (
              <li key={index} className="flex justify-between gap-3 py-0.5">
                <span className="min-w-24 break-words">{one.name ? `${one.name} <${one.address ?? ''}>` : (one.address ?? one.typed)}</span>
                <span className={isFine(one) ? 'text-good' : 'font-semibold text-odd'}>
                  {isFine(one) ? t('add.fine') : (one.message ?? t('add.meant', { address: one.suggestion ?? '' }))}
                </span>
              </li>
            ))}
          </ul>
        )}
        <div {...box.getMenuProps({ 'aria-label': t('add.found'), 'aria-labelledby': undefined })} className="max-h-64 overflow-y-auto">
          {choices.map((choice, index) => (
            <div
              key={choice.key}
              {...box.getItemProps({ item: choice, index })}
              className={`cursor-pointer px-2.5 py-1.5 ${index === box.highlightedIndex ? 'bg-paper' : ''}`}
            >
              <ChoiceText choice={choice} />
            </div>
          ))}
        </div>
        {fresh && choices.length === 0 && !several && (
          <p className="px-2.5 py-1.5 text-muted">{byAddress ? t('add.notYet') : found.length > 0 ? t('add.allIn') : t('add.none')}</p>
        )}
      </div>
      {large && (
        <LargeTeam
          team={large}
          close={() => setLarge(null)}
          take={() => {
            add(large.people, large.id);
            setLarge(null);
          }}
        />
      )}
      {failed && (
        <p role="alert" className="text-note font-semibold text-broken">
          {failed}
        </p>
      )}
    </div>
  );
}

/** Asked before so many people are invited at once. */
function LargeTeam({ team, take, close }: { team: TeamAsAsked; take: () => void; close: () => void }) {
  const { t } = useTranslation();
  const { last } = team;
  return (
    <Dialog
      open
      onOpenChange={close}
      title={t('team.large', { name: team.name, count: team.people.length })}
      description={
        last
          ? t('team.lastTime', { count: last.people, minutes: last.minutes, title: last.title || t('sheet.untitled') })
          : t('team.noLast')
      }
    >
      <div className="flex justify-end gap-3">
        <Button onClick={close}>{t('team.notThem')}</Button>
        <Button look="main" onClick={take}>
          {t('team.addAll', { count: team.people.length })}
        </Button>
      </div>
    </Dialog>
  );
}

function ChoiceText({ choice }: { choice: Choice }) {
  const { t } = useTranslation();
  if (choice.kind === 'person') {
    const { person } = choice;
    return (
      <>
        <span className="font-semibold">{called(person)}</span>{' '}
        <span className="text-note text-muted">
          {[person.kind === 'guest' ? t('sheet.outside') : (person.job ?? ''), person.city ?? '', person.name ? person.email : '']
            .filter(Boolean)
            .join(', ')}
        </span>
      </>
    );
  }
  if (choice.kind === 'team') {
    return (
      <>
        <span className="font-semibold">{choice.team.name}</span>{' '}
        <span className="text-note text-muted">{t('add.team', { count: choice.team.all })}</span>
      </>
    );
  }
  if (choice.kind === 'meeting') {
    return (
      <>
        <span className="font-semibold">{t('add.ofMeeting', { count: choice.people.length, title: choice.title })}</span>{' '}
        <span className="text-note text-muted">{choice.people.map((person) => called(person).split(' ')[0]).join(', ')}</span>
      </>
    );
  }
  if (choice.kind === 'block') {
    return <span className="font-semibold">{t('add.block', { count: choice.addresses.length })}</span>;
  }
  return choice.corrected ? (
    <span className="font-semibold text-good">{t('add.correct', { address: choice.address })}</span>
  ) : (
    <span>{t('add.guest', { address: choice.address })}</span>
  );
}
