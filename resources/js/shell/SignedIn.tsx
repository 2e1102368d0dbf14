import { Suspense, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Navigate, Route, Routes, useNavigate } from 'react-router';
import { ImportArea, useChooseFile } from '../imports/ImportArea';
import { useLive } from '../lib/useLive';
import type { Session } from '../people/session';
import { isTyping } from '../people/useSheetKey';
import { startMeeting, startMeetingOfTeam, startMeetingWith } from '../planning/meetings';
import { Button } from '../ui/Button';
import { Page } from '../ui/Page';
import { Away } from './Away';
import {
  AbsencesPage,
  AnswersPage,
  DispatchPage,
  FindPerson,
  HouseRulesPage,
  KeysDialog,
  MeetingPage,
  MeetingsPage,
  Palette,
  PeopleImportPage,
  PeoplePage,
  PersonPage,
  StandingRoom,
  PlanSheetPage,
  ReadBackPage,
  SentOfMeeting,
  SentPage,
  SettingsDialog,
  ShiftsPage,
  BlueprintsPage,
  NowPage,
  BurdenPage,
  TeamPage,
  TeamsPage,
  TodayPage,
} from './pages';
import { TopLine } from './TopLine';

const Absences = () => <AbsencesPage choose={(take, taken) => <FindPerson take={take} taken={taken} />} />;

function Person() {
  const navigate = useNavigate();
  return (
    <PersonPage
      choose={(take, taken) => <FindPerson take={take} taken={taken} />}
      more={(person) => person.kind === 'colleague' && !person.left && <StandingRoom personId={person.id} />}
      plan={(person) => void startMeetingWith([person.id]).then((meeting) => navigate(`/meetings/${meeting.id}/plan`))}
    />
  );
}

function Team() {
  const navigate = useNavigate();
  return (
    <TeamPage
      choose={(take, taken) => <FindPerson take={take} taken={taken} />}
      plan={(team) => void startMeetingOfTeam(team).then((meeting) => navigate(`/meetings/${meeting.id}/plan`))}
    />
  );
}

const Meetings = () => <MeetingsPage chooseFile={useChooseFile()} />;

/** Said only where a page takes long to come. */
function Opening() {
  const { t } = useTranslation();
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), 600);
    return () => clearTimeout(timer);
  }, []);
  return late ? (
    <p role="status" className="px-5 py-6 text-muted">
      {t('page.opening')}
    </p>
  ) : null;
}

/** The house around every page: top line, palette, settings, keys. */
export function SignedIn({ session }: { session: Session }) {
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
        <Suspense fallback={<Opening />}>
          <Routes>
            <Route path="/" element={<TodayPage />} />
            <Route path="/away" element={<Absences />} />
            <Route path="/me" element={<Person />} />
            <Route path="/meetings" element={<Meetings />} />
            <Route path="/meetings/:id/plan" element={<PlanSheetPage />} />
            <Route path="/meetings/:id/read-back" element={<ReadBackPage />} />
            <Route path="/meetings/:id" element={<MeetingPage sent={(id) => <SentOfMeeting meetingId={id} />} />} />
            {plans && (
              <>
                <Route path="/meetings/:id/answers" element={<AnswersPage />} />
                <Route path="/meetings/:id/shifts" element={<ShiftsPage />} />
                <Route path="/burden" element={<BurdenPage />} />
                <Route path="/people/import" element={<PeopleImportPage />} />
                <Route path="/people/teams" element={<TeamsPage />} />
                <Route path="/people/teams/:id" element={<Team />} />
                <Route path="/people/:id" element={<Person />} />
                <Route path="/people/:id/away" element={<Absences />} />
                <Route path="/people" element={<PeoplePage />} />
                <Route path="/now" element={<NowPage />} />
                <Route path="/blueprints" element={<BlueprintsPage />} />
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
        </Suspense>
        <Suspense fallback={null}>
          {palette && (
            <Palette open onOpenChange={setPalette} plans={plans} showKeys={() => setKeys(true)} openSettings={() => setSettings(true)} />
          )}
          {settings && <SettingsDialog session={session} open onOpenChange={setSettings} />}
          {keys && <KeysDialog open onOpenChange={setKeys} plans={plans} />}
        </Suspense>
      </div>
    </ImportArea>
  );
}
