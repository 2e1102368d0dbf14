import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nPlanning';
import { Popover } from '../ui/Popover';

/** Light around it that readers need (ISO/IEC 18004: four modules). */
const QUIET = 4;

/** A link for telephones that look at it. What draws it comes when it is first asked for. */
export function QrCode({ link }: { link: string }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const code = useQuery({
    queryKey: ['qr', link],
    queryFn: async () => {
      const { create } = await import('qrcode');
      const { modules } = create(link, { errorCorrectionLevel: 'M' });
      const { size } = modules;
      const path = Array.from(modules.data)
        .flatMap((dark, at) => (dark ? [`M${QUIET + (at % size)} ${QUIET + Math.floor(at / size)}h1v1h-1z`] : []))
        .join('');
      return { path, size: size + 2 * QUIET };
    },
    enabled: open,
    staleTime: Infinity,
  });
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      label={t('join.qr')}
      trigger={
        <button type="button" className="changeable font-medium">
          {t('join.qr')}
        </button>
      }
    >
      {code.data && (
        <svg
          role="img"
          aria-label={t('join.qrAlt')}
          viewBox={`0 0 ${code.data.size} ${code.data.size}`}
          className="mx-auto w-56"
          shapeRendering="crispEdges"
        >
          <rect width={code.data.size} height={code.data.size} fill="#ffffff" />
          <path d={code.data.path} fill="#000000" />
        </svg>
      )}
      <p className="text-note break-all">{link}</p>
    </Popover>
  );
}
