import { useMutation, useQuery } from '@tanstack/react-query';
import { useId, useRef, useState, type KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { useDebounced } from '../lib/useDebounced';
import { addressQuery, called, rememberGuest, suggestQuery, type Person } from '../people/people';

export type AddPersonProps = { taken: string[]; add: (person: Person) => void };

type Choice = { key: string; kind: 'person'; person: Person } | { key: string; kind: 'address'; address: string; corrected: boolean };

/** One field for everybody: colleagues by name, guests by address, checked as it is typed. */
export function AddPerson({ taken, add }: AddPersonProps) {
  const { t } = useTranslation();
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState('');
  const [marked, setMarked] = useState(0);
  const asked = useDebounced(typed.trim(), 120);
  const looksLikeAddress = /[@<]/.test(asked);
  const { data: found = [] } = useQuery(suggestQuery(asked));
  const { data: check } = useQuery({ ...addressQuery(asked), enabled: looksLikeAddress });
  const remember = useMutation({
    mutationFn: rememberGuest,
    onSuccess: (person) => {
      add(person);
      clear();
    },
  });

  const clear = () => {
    setTyped('');
    setMarked(0);
    field.current?.focus();
  };
  const fresh = asked !== '' && typed.trim() === asked;
  const people = fresh ? found.filter((person) => !taken.includes(person.id)) : [];
  const known = people.some((person) => person.email === check?.address);
  const choices: Choice[] = [
    ...people.map((person): Choice => ({ key: person.id, kind: 'person', person })),
    ...(fresh && looksLikeAddress && check?.suggestion
      ? [{ key: 'suggestion', kind: 'address' as const, address: check.suggestion, corrected: true }]
      : []),
    ...(fresh && looksLikeAddress && check?.address && !known
      ? [{ key: 'address', kind: 'address' as const, address: asked, corrected: false }]
      : []),
  ];
  const take = (choice: Choice | undefined) => {
    if (choice?.kind === 'person') {
      add(choice.person);
      clear();
    } else if (choice) {
      remember.mutate(choice.address);
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      setMarked((now) => (choices.length === 0 ? 0 : (now + (event.key === 'ArrowDown' ? 1 : -1) + choices.length) % choices.length));
    } else if (event.key === 'Enter') {
      event.preventDefault();
      take(choices[marked]);
    } else if (event.key === 'Escape') {
      setTyped('');
    }
  };
  const open = fresh && (choices.length > 0 || asked !== '');
  const problem = fresh && looksLikeAddress ? (check?.message ?? (check?.problem === 'slip' ? t('add.slip') : null)) : null;
  const failed = remember.error instanceof ApiError ? (remember.error.field('address') ?? remember.error.message) : null;

  return (
    <div className="relative mt-1">
      <input
        ref={field}
        role="combobox"
        aria-label={t('add.label')}
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={open && choices[marked] ? `${id}-${choices[marked].key}` : undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        autoComplete="off"
        placeholder={t('add.placeholder')}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setMarked(0);
        }}
        onKeyDown={onKeyDown}
        className="w-full rounded-md border border-muted bg-sheet px-2.5 py-1.5"
      />
      {open && (
        <div className="absolute inset-x-0 bottom-full z-30 mb-1 rounded-md border border-line bg-sheet shadow-xl">
          {problem && (
            <p id={`${id}-problem`} role="status" className="border-b border-line px-2.5 py-1.5 text-note font-semibold text-odd">
              {problem}
            </p>
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
                {choice.kind === 'person' ? (
                  <>
                    <span className="font-semibold">{called(choice.person)}</span>{' '}
                    <span className="text-note text-muted">
                      {[
                        choice.person.kind === 'guest' ? t('sheet.outside') : (choice.person.job ?? ''),
                        choice.person.city ?? '',
                        choice.person.name ? choice.person.email : '',
                      ]
                        .filter(Boolean)
                        .join(', ')}
                    </span>
                  </>
                ) : choice.corrected ? (
                  <span className="font-semibold text-good">{t('add.correct', { address: choice.address })}</span>
                ) : (
                  <span>{t('add.guest', { address: choice.address })}</span>
                )}
              </div>
            ))}
          </div>
          {choices.length === 0 && <p className="px-2.5 py-1.5 text-muted">{looksLikeAddress ? t('add.notYet') : t('add.none')}</p>}
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
