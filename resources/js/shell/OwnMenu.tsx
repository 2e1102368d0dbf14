import { useMutation, useQueryClient } from '@tanstack/react-query';
import { DropdownMenu } from 'radix-ui';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { send } from '../lib/api';
import type { Session } from '../people/session';
import { forgetHeld } from '../planning/held';

/** The menu behind one's own initials; it comes open, since it was asked for. */
export function OwnMenu({
  session,
  initials,
  label,
  openSettings,
}: {
  session: Session;
  initials: string;
  label: string;
  openSettings: () => void;
}) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const navigate = useNavigate();
  const leave = useMutation({
    mutationFn: () => send('DELETE', 'session'),
    onSuccess: () => {
      client.clear();
      forgetHeld();
      window.location.assign('/');
    },
  });
  const account = session.account;
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger className="tight min-h-6 min-w-6 rounded px-1 font-semibold text-on-top" aria-label={label}>
        {initials}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={8}
          className="z-50 min-w-56 rounded-lg border border-line bg-sheet p-1.5 text-ink shadow-xl"
        >
          <DropdownMenu.Label className="px-2.5 py-1.5 text-note text-muted">
            {account?.name}, {t(`role.${account?.role}`)}
          </DropdownMenu.Label>
          <DropdownMenu.Item
            className="cursor-pointer rounded px-2.5 py-1.5 data-highlighted:bg-paper data-highlighted:outline-none"
            onSelect={openSettings}
          >
            {t('me.settings')}
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className="cursor-pointer rounded px-2.5 py-1.5 data-highlighted:bg-paper data-highlighted:outline-none"
            onSelect={() => void navigate('/me')}
          >
            {t('me.page')}
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className="cursor-pointer rounded px-2.5 py-1.5 data-highlighted:bg-paper data-highlighted:outline-none"
            onSelect={() => void navigate('/away')}
          >
            {t('away.own')}
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className="cursor-pointer rounded px-2.5 py-1.5 data-highlighted:bg-paper data-highlighted:outline-none"
            onSelect={() => leave.mutate()}
          >
            {t('me.leave')}
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
