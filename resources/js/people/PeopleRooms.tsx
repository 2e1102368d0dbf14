import { useTranslation } from 'react-i18next';
import { NavLink } from 'react-router';

/** What there is in the room of people, above its pages. */
export function PeopleRooms() {
  const { t } = useTranslation();
  const look = ({ isActive }: { isActive: boolean }) => (isActive ? 'font-semibold text-ink' : 'hover:underline');
  return (
    <nav aria-label={t('room.people')} className="flex gap-4">
      <NavLink end to="/people" className={look}>
        {t('team.people')}
      </NavLink>
      <NavLink to="/people/teams" className={look}>
        {t('team.teams')}
      </NavLink>
      <NavLink to="/people/import" className={look}>
        {t('team.fromFile')}
      </NavLink>
    </nav>
  );
}
