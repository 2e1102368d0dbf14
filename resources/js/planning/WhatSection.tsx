import { useTranslation } from 'react-i18next';
import { Button } from '../ui/Button';
import { Agenda } from './Agenda';
import { BARE } from './bare';
import { Files } from './Files';
import { freshKey, type Sheet } from './sheet';

export type SectionProps = { sheet: Sheet; change: (next: Partial<Sheet> | ((now: Sheet) => Partial<Sheet>)) => void };

/** What it is: purpose, agenda, links. */
export function WhatSection({ sheet, change, meetingId }: SectionProps & { meetingId: string }) {
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
      <Files meetingId={meetingId} mayChange />
    </section>
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
