import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../ui/Button';
import { freshKey, type AgendaItem, type Sheet } from './sheet';

export type SectionProps = { sheet: Sheet; change: (next: Partial<Sheet> | ((now: Sheet) => Partial<Sheet>)) => void };

const BARE = 'w-full min-w-0 rounded border border-transparent bg-transparent px-1 py-0.5 hover:border-line focus:border-muted';

/** What it is: purpose, agenda, links. */
export function WhatSection({ sheet, change }: SectionProps) {
  const { t } = useTranslation();
  return (
    <section aria-labelledby="what">
      <h2 id="what" className="text-note font-semibold text-muted">
        {t('sheet.what')}
      </h2>
      <textarea
        id="purpose"
        aria-label={t('sheet.purpose')}
        placeholder={t('sheet.purposeHint')}
        maxLength={5000}
        rows={2}
        value={sheet.purpose}
        onChange={(event) => change({ purpose: event.target.value })}
        className={`${BARE} field-sizing-content max-h-40 resize-none`}
      />
      <Agenda sheet={sheet} change={change} />
      <Links sheet={sheet} change={change} />
    </section>
  );
}

function Agenda({ sheet, change }: SectionProps) {
  const { t } = useTranslation();
  const list = useRef<HTMLOListElement>(null);
  const [held, setHeld] = useState<string | null>(null);
  const total = sheet.agenda.reduce((sum, item) => sum + (item.minutes ?? 0), 0);

  const set = (key: string, next: Partial<AgendaItem>) =>
    change((now) => ({ agenda: now.agenda.map((item) => (item.key === key ? { ...item, ...next } : item)) }));
  const move = (key: string, to: number) =>
    change((now) => {
      const from = now.agenda.findIndex((item) => item.key === key);
      const item = now.agenda[from];
      if (!item || to < 0 || to >= now.agenda.length || from === to) {
        return {};
      }
      const rest = now.agenda.filter((one) => one.key !== key);
      return { agenda: [...rest.slice(0, to), item, ...rest.slice(to)] };
    });
  const add = () => {
    change((now) => ({ agenda: [...now.agenda, { key: freshKey(), title: '', minutes: null, speaker: '' }] }));
    setTimeout(() => list.current?.querySelector<HTMLInputElement>('li:last-child input')?.focus(), 0);
  };

  return (
    <>
      <ol ref={list} id="agenda" aria-label={t('agenda.label')}>
        {sheet.agenda.map((item, index) => (
          <li
            key={item.key}
            className={`group flex items-center gap-0.5 border-t border-line ${held === item.key ? 'opacity-50' : ''}`}
            onDragOver={(event) => {
              if (held && held !== item.key) {
                event.preventDefault();
                move(held, index);
              }
            }}
            onKeyDown={(event) => {
              if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
                event.preventDefault();
                move(item.key, index + (event.key === 'ArrowUp' ? -1 : 1));
              }
            }}
          >
            <span
              role="button"
              tabIndex={0}
              draggable
              aria-label={t('agenda.move', { title: item.title || String(index + 1) })}
              title={t('agenda.moveHint')}
              className="flex h-6 w-6 shrink-0 cursor-grab items-center justify-center text-muted select-none"
              onDragStart={(event) => {
                event.dataTransfer.effectAllowed = 'move';
                event.dataTransfer.setData('text/plain', item.title);
                setHeld(item.key);
              }}
              onDragEnd={() => setHeld(null)}
              onKeyDown={(event) => {
                if (!event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
                  event.preventDefault();
                  move(item.key, index + (event.key === 'ArrowUp' ? -1 : 1));
                }
              }}
            >
              ⠿
            </span>
            <input
              aria-label={t('agenda.item', { number: index + 1 })}
              placeholder={t('agenda.itemHint')}
              value={item.title}
              maxLength={300}
              className={`${BARE} flex-[3]`}
              onChange={(event) => set(item.key, { title: event.target.value })}
              onKeyDown={(event) => {
                if (event.key === 'Enter') {
                  event.preventDefault();
                  add();
                }
              }}
            />
            <input
              aria-label={t('agenda.speaker', { number: index + 1 })}
              placeholder={t('agenda.speakerHint')}
              value={item.speaker}
              maxLength={200}
              className={`${BARE} flex-[2] text-muted`}
              onChange={(event) => set(item.key, { speaker: event.target.value })}
            />
            <input
              aria-label={t('agenda.minutes', { number: index + 1 })}
              inputMode="numeric"
              value={item.minutes ?? ''}
              placeholder="–"
              className={`${BARE} w-9! text-right font-semibold`}
              onChange={(event) => {
                const digits = event.target.value.replace(/\D/g, '').slice(0, 4);
                const minutes = digits === '' ? null : Math.min(1440, Math.max(1, Number(digits)));
                set(item.key, { minutes });
              }}
            />
            <span aria-hidden className="font-semibold">
              min
            </span>
            <button
              type="button"
              aria-label={t('agenda.remove', { title: item.title || String(index + 1) })}
              className="h-6 w-6 shrink-0 rounded text-muted hover:text-broken"
              onClick={() => change((now) => ({ agenda: now.agenda.filter((one) => one.key !== item.key) }))}
            >
              ×
            </button>
          </li>
        ))}
      </ol>
      <p className="flex justify-between border-t border-line py-1">
        <Button look="quiet" onClick={add}>
          {t('agenda.add')}
        </Button>
        {total > 0 && (
          <span className={total > sheet.durationMinutes && !sheet.allDay ? 'font-semibold text-odd' : 'text-muted'}>
            {total > sheet.durationMinutes && !sheet.allDay
              ? t('agenda.tooLong', { total, of: sheet.durationMinutes })
              : t('agenda.total', { total, of: sheet.durationMinutes })}
          </span>
        )}
      </p>
    </>
  );
}

function Links({ sheet, change }: SectionProps) {
  const { t } = useTranslation();
  const set = (key: string, next: { label?: string; url?: string }) =>
    change((now) => ({ links: now.links.map((link) => (link.key === key ? { ...link, ...next } : link)) }));
  return (
    <>
      <ul aria-label={t('links.label')}>
        {sheet.links.map((link, index) => {
          const wrong = link.url !== '' && !/^https?:\/\/\S+$/i.test(link.url);
          return (
            <li key={link.key} className="flex items-center gap-0.5 border-t border-line">
              <input
                aria-label={t('links.name', { number: index + 1 })}
                placeholder={t('links.nameHint')}
                value={link.label}
                className={`${BARE} flex-[2]`}
                onChange={(event) => set(link.key, { label: event.target.value })}
              />
              <input
                aria-label={t('links.url', { number: index + 1 })}
                aria-invalid={wrong || undefined}
                title={wrong ? t('links.wrong') : undefined}
                placeholder="https://"
                value={link.url}
                className={`${BARE} flex-[3] ${wrong ? 'border-broken! text-broken' : ''}`}
                onChange={(event) => set(link.key, { url: event.target.value.trim() })}
              />
              <button
                type="button"
                aria-label={t('links.remove', { number: index + 1 })}
                className="h-6 w-6 shrink-0 rounded text-muted hover:text-broken"
                onClick={() => change((now) => ({ links: now.links.filter((one) => one.key !== link.key) }))}
              >
                ×
              </button>
            </li>
          );
        })}
      </ul>
      <Button look="quiet" onClick={() => change((now) => ({ links: [...now.links, { key: freshKey(), label: '', url: '' }] }))}>
        {t('links.add')}
      </Button>
    </>
  );
}
