import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Navigate, Route, Routes, useLocation, useNavigate } from 'react-router';
import { TodayPage } from './day/TodayPage';
import { HouseRulesPage } from './houseRules/HouseRulesPage';
import { DispatchPage } from './invitations/DispatchPage';
import { ReadBackPage } from './invitations/ReadBackPage';
import { SentPage } from './invitations/SentPage';
import { useLive } from './lib/useLive';
import { ImportArea } from './imports/ImportArea';
import { clock } from './lib/time';
import { isTyping } from './lib/useSheetKey';
import { AgreeAddressPage } from './people/AgreeAddressPage';
import { FirstAccountPage } from './people/FirstAccountPage';
import { PeoplePage } from './people/PeoplePage';
import { sessionQuery, useOwnWall, type Session } from './people/session';
import { SignInAgain } from './people/SignInAgain';
import { SetPasswordPage } from './people/SetPasswordPage';
import { SignInPage } from './people/SignInPage';
import { MeetingPage } from './planning/MeetingPage';
import { MeetingsPage } from './planning/MeetingsPage';
import { startMeeting } from './planning/meetings';
import { ShiftsPage } from './overlap/ShiftsPage';
import { PlanSheetPage } from './planning/PlanSheetPage';
import { Button } from './ui/Button';
import { Dialog } from './ui/Dialog';
import { ErrorNote } from './ui/ErrorNote';
import { Page } from './ui/Page';
import { Palette } from './ui/Palette';
import { SettingsDialog } from './ui/SettingsDialog';
import { TopLine } from './ui/TopLine';

export function App() {
  const { pathname } = useLocation();
  const { data, error, refetch } = useQuery(sessionQuery);
  const [last, setLast] = useState<Session | null>(null);
  if (data?.account && data !== last) {
    // Whoever comes back as somebody else begins anew: what stands here is not theirs.
    if (last?.account && last.account.id !== data.account.id) {
      window.location.assign('/');
    }
    setLast(data);
  }
  if (pathname.startsWith('/password/') || pathname.startsWith('/address/')) {
    return data ? (
      <Routes>
        <Route path="/password/:token" element={<SetPasswordPage />} />
        <Route path="/address/:token" element={<AgreeAddressPage />} />
      </Routes>
    ) : null;
  }
  // A page that is open stays, whatever becomes of the session or the server: what was typed stands on it.
  const shown = data?.account ? data : last;
  if (shown?.account) {
    return (
      <>
        <SignedIn session={shown} />
        {data && !data.account && <SignInAgain account={shown.account} />}
      </>
    );
  }
  if (error) {
    return (
      <div className="p-5">
        <ErrorNote error={error} retry={() => void refetch()} />
      </div>
    );
  }
  if (!data) {
    return null;
  }
  return data.empty ? <FirstAccountPage /> : <SignInPage session={data} />;
}

/** Says that the server does not answer, and since when; the page below stays as it is. */
function Away() {
  const { t } = useTranslation();
  const wall = useOwnWall();
  const { error, errorUpdatedAt, dataUpdatedAt } = useQuery(sessionQuery);
  if (!error) {
    return null;
  }
  return (
    <p role="alert" className="bg-broken px-5 py-1.5 font-semibold text-sheet">
      {t('failure.away', { clock: clock(wall(Math.max(dataUpdatedAt, errorUpdatedAt))) })}
    </p>
  );
}

const KEYS = ['t', 'm', 'n', '?'] as const;

function SignedIn({ session }: { session: Session }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const plans = session.account?.plans ?? false;
  const shortcuts = session.account?.shortcuts ?? true;
  const [palette, setPalette] = useState(false);
  const [settings, setSettings] = useState(false);
  const [keys, setKeys] = useState(false);
  useLive(session.channel);

  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setPalette(true);
        return;
      }
      if (!shortcuts || isTyping(event)) {
        return;
      }
      const actions: Record<string, () => void> = {
        t: () => void navigate('/'),
        m: () => void navigate('/meetings'),
        '?': () => setKeys(true),
        ...(plans ? { n: () => void startMeeting().then((meeting) => navigate(`/meetings/${meeting.id}/plan`)) } : {}),
      };
      const action = actions[event.key];
      if (action) {
        event.preventDefault();
        action();
      }
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [navigate, plans, shortcuts]);

  return (
    <ImportArea plans={plans}>
      <div className="flex min-h-dvh flex-col">
        <Away />
        <TopLine session={session} openPalette={() => setPalette(true)} openSettings={() => setSettings(true)} />
        <Routes>
          <Route path="/" element={<TodayPage />} />
          <Route path="/meetings" element={<MeetingsPage />} />
          <Route path="/meetings/:id" element={<MeetingPage />} />
          {plans && (
            <>
              <Route path="/meetings/:id/plan" element={<PlanSheetPage />} />
              <Route path="/meetings/:id/read-back" element={<ReadBackPage />} />
              <Route path="/meetings/:id/shifts" element={<ShiftsPage />} />
              <Route path="/people" element={<PeoplePage />} />
              <Route path="/sent" element={<SentPage />} />
              <Route path="/sent/:id" element={<DispatchPage />} />
              <Route path="/house-rules" element={<HouseRulesPage />} />
            </>
          )}
          <Route path="/password/*" element={<Navigate to="/" replace />} />
          <Route
            path="*"
            element={
              <Page title={t('notFound.title')} heading={t('notFound.title')}>
                <p className="px-5 py-6">
                  {t('notFound.text')}{' '}
                  <Button look="quiet" onClick={() => navigate('/')}>
                    {t('room.today')}
                  </Button>
                </p>
              </Page>
            }
          />
        </Routes>
        <Palette
          open={palette}
          onOpenChange={setPalette}
          plans={plans}
          showKeys={() => setKeys(true)}
          openSettings={() => setSettings(true)}
        />
        <SettingsDialog session={session} open={settings} onOpenChange={setSettings} />
        <Dialog open={keys} onOpenChange={setKeys} title={t('keys.title')} description={t('keys.text')}>
          <dl className="grid grid-cols-[7rem_1fr] gap-y-1.5">
            <dt className="font-semibold">Ctrl K</dt>
            <dd>{t('keys.palette')}</dd>
            {KEYS.filter((key) => plans || key !== 'n').map((key) => (
              <div key={key} className="contents">
                <dt className="font-semibold">{key}</dt>
                <dd>{t(`keys.${key === '?' ? 'help' : key}`)}</dd>
              </div>
            ))}
            <dt className="font-semibold">{t('keys.barKeys')}</dt>
            <dd>{t('keys.bar')}</dd>
            <dt className="font-semibold">s</dt>
            <dd>{t('keys.s')}</dd>
            <dt className="font-semibold">Alt ↑ ↓</dt>
            <dd>{t('keys.agenda')}</dd>
          </dl>
          <div className="flex justify-end">
            <Button onClick={() => setKeys(false)}>{t('action.done')}</Button>
          </div>
        </Dialog>
      </div>
    </ImportArea>
  );
}
