import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import '../lib/i18nRoom';
import { touchedQuery } from './rules';

/** Sent meetings whose rooms would be otherwise by now; they stay as they were sent until somebody changes them. */
export function Touched() {
  const { t } = useTranslation();
  const { data } = useQuery(touchedQuery);
  if (!data || data.count === 0) {
    return null;
  }
  return (
    <p role="status" className="border-l-4 border-odd pl-3">
      <span className="font-semibold">{t('entryRules.house.touched', { count: data.count })}</span>{' '}
      {data.some.map(({ id, title }, at) => (
        <span key={id}>
          {at > 0 && ', '}
          <Link className="changeable" to={`/meetings/${id}`}>
            {title}
          </Link>
        </span>
      ))}
      {data.count > data.some.length && ` ${t('entryRules.house.touchedMore')}`}.
    </p>
  );
}
