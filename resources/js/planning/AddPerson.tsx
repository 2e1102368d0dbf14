import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useId, useRef, useState, type KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { useDebounced } from '../lib/useDebounced';
import { addressQuery, called, rememberGuests, suggestQuery, written, type AddressCheck, type Person } from '../people/people';
import { useOpenEntry } from './entries';

export type AddPersonProps = { taken: string[]; add: (people: Person[]) => void };

type Choice =
  | { key: string; kind: 'person'; person: Person }
  | { key: string; kind: 'address'; address: string; corrected: boolean }
  | { key: string; kind: 'block'; addresses: string[]; left: number };

const looksLikeAddress = (text: string) => /[@<]/.test(text);
const isFine = (check: AddressCheck) => check.address !== null && check.problem === null;

/** One field for everybody: colleagues by name, guests by address, one or a block of them, checked as they are typed. */
export function AddPerson({ taken, add }: AddPersonProps) {
  const { t } = useTranslation();
  const id = useId();
  const client = useQueryClient();
  const field = useRef<HTMLTextAreaElement>(null);
  const [typed, setTyped] = useState('');
  const [marked, setMarked] = useState(0);
  const [unfinished, setUnfinished] = useState(false);
  const asked = useDebounced(typed.trim(), 120);
  const byAddress = looksLikeAddress(asked);
  const { data: found = [] } = useQuery({ ...suggestQuery(asked), enabled: asked !== '' && !/[,;\n]/.test(asked) });
  const { data: checks = [] } = useQuery({ ...addressQuery(asked), enabled: byAddress });
  const remember = useMutation({
    mutationFn: ({ addresses }: { addresses: string[]; rest: string }) => rememberGuests(addresses),
    onSuccess: (people, { rest }) => {
      add(people);
      clear(rest);
    },
  });

  const clear = (rest = '') => {
    setTyped(rest);
    setMarked(0);
    setUnfinished(false);
    field.current?.focus();
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
    ...(check?.suggestion ? [{ key: 'suggestion', kind: 'address' as const, address: check.suggestion, corrected: true }] : []),
    ...(check?.address && !known ? [{ key: 'address', kind: 'address' as const, address: written(check), corrected: false }] : []),
    ...(fine.length > 0 ? [{ key: 'block', kind: 'block' as const, addresses: fine.map(written), left: odd.length }] : []),
  ];
  const take = (choice: Choice | undefined) => {
    if (choice?.kind === 'person') {
      add([choice.person]);
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
      field.current?.focus();
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

  const onKeyDown = (event: KeyboardEvent) => {
    if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && choices.length > 0) {
      event.preventDefault();
      setMarked((now) => (now + (event.key === 'ArrowDown' ? 1 : -1) + choices.length) % choices.length);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      take(choices[marked]);
    } else if (event.key === 'Escape') {
      setTyped('');
      setUnfinished(false);
    }
  };
  const open = fresh;
  const problem = check ? (check.message ?? (check.problem === 'slip' ? t('add.slip') : null)) : null;
  const failed = remember.error instanceof ApiError ? (Object.values(remember.error.errors)[0]?.[0] ?? remember.error.message) : null;
  const said = unfinished ? t('add.unfinished') : problem;

  return (
    <div className="relative mt-1">
      <textarea
        ref={field}
        rows={1}
        id="add-person"
        role="combobox"
        aria-label={t('add.label')}
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={open && choices[marked] ? `${id}-${choices[marked].key}` : undefined}
        aria-describedby={said ? `${id}-problem` : undefined}
        aria-invalid={unfinished ? true : undefined}
        autoComplete="off"
        placeholder={t('add.placeholder')}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setMarked(0);
          setUnfinished(false);
        }}
        onKeyDown={onKeyDown}
        className={`block field-sizing-content max-h-24 w-full resize-none rounded-md border bg-sheet px-2.5 py-1.5 ${unfinished ? 'border-broken' : 'border-muted'}`}
      />
      {open && (
        <div className="absolute inset-x-0 bottom-full z-30 mb-1 rounded-md border border-line bg-sheet shadow-xl">
          {said && (
            <p id={`${id}-problem`} role="status" className="border-b border-line px-2.5 py-1.5 text-note font-semibold text-odd">
              {said}
            </p>
          )}
          {several && (
            <ul className="max-h-48 overflow-y-auto border-b border-line px-2.5 py-1 text-note" aria-label={t('add.read')}>
              {checks.map((one, index) => (
                <li key={index} className="flex justify-between gap-3 py-0.5">
                  <span className="min-w-24 break-words">
                    {one.name ? `${one.name} <${one.address ?? ''}>` : (one.address ?? one.typed)}
                  </span>
                  <span className={isFine(one) ? 'text-good' : 'font-semibold text-odd'}>
                    {isFine(one) ? t('add.fine') : (one.message ?? t('add.meant', { address: one.suggestion ?? '' }))}
                  </span>
                </li>
              ))}
            </ul>
          )}
          <div id={`${id}-list`} role="listbox" aria-label={t('add.found')} className="max-h-64 overflow-y-auto">
            {choices.map((choice, index) => (
              <div
                key={choice.key}
                id={`${id}-${choice.key}`}
                role="option"
                tabIndex={-1}
                aria-selected={index === marked}
                className={`cursor-pointer px-2.5 py-1.5 ${index === marked ? 'bg-paper' : ''}`}
                onMouseEnter={() => setMarked(index)}
                onMouseDown={(event) => {
                  event.preventDefault();
                  take(choice);
                }}
              >
                <ChoiceText choice={choice} />
              </div>
            ))}
          </div>
          {choices.length === 0 && !several && <p className="px-2.5 py-1.5 text-muted">{byAddress ? t('add.notYet') : t('add.none')}</p>}
        </div>
      )}
      {failed && (
        <p role="alert" className="text-note font-semibold text-broken">
          {failed}
        </p>
      )}
    </div>
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
  if (choice.kind === 'block') {
    return <span className="font-semibold">{t('add.block', { count: choice.addresses.length })}</span>;
  }
  return choice.corrected ? (
    <span className="font-semibold text-good">{t('add.correct', { address: choice.address })}</span>
  ) : (
    <span>{t('add.guest', { address: choice.address })}</span>
  );
}
