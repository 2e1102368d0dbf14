import { lazy } from 'react';

// Each page comes when it is opened.
export const TodayPage = lazy(async () => ({ default: (await import('../day/TodayPage')).TodayPage }));
export const MeetingsPage = lazy(async () => ({ default: (await import('../planning/MeetingsPage')).MeetingsPage }));
export const MeetingPage = lazy(async () => ({ default: (await import('../planning/MeetingPage')).MeetingPage }));
export const PlanSheetPage = lazy(async () => ({ default: (await import('../planning/PlanSheetPage')).PlanSheetPage }));
export const ReadBackPage = lazy(async () => ({ default: (await import('../invitations/ReadBackPage')).ReadBackPage }));
export const ShiftsPage = lazy(async () => ({ default: (await import('../overlap/ShiftsPage')).ShiftsPage }));
export const BurdenPage = lazy(async () => ({ default: (await import('../overlap/BurdenPage')).BurdenPage }));
export const PeoplePage = lazy(async () => ({ default: (await import('../people/PeoplePage')).PeoplePage }));
export const PersonPage = lazy(async () => ({ default: (await import('../people/PersonPage')).PersonPage }));
export const PeopleImportPage = lazy(async () => ({ default: (await import('../imports/PeopleImportPage')).PeopleImportPage }));
export const TeamsPage = lazy(async () => ({ default: (await import('../people/TeamsPage')).TeamsPage }));
export const TeamPage = lazy(async () => ({ default: (await import('../people/TeamPage')).TeamPage }));
export const AbsencesPage = lazy(async () => ({ default: (await import('../people/AbsencesPage')).AbsencesPage }));
export const FindPerson = lazy(async () => ({ default: (await import('../planning/FindPerson')).FindPerson }));
export const StandingRoom = lazy(async () => ({ default: (await import('../planning/StandingRoom')).StandingRoom }));
export const NowPage = lazy(async () => ({ default: (await import('../planning/NowPage')).NowPage }));
export const BlueprintsPage = lazy(async () => ({ default: (await import('../planning/BlueprintsPage')).BlueprintsPage }));
export const AnswersPage = lazy(async () => ({ default: (await import('../answers/AnswersPage')).AnswersPage }));
export const SentPage = lazy(async () => ({ default: (await import('../invitations/SentPage')).SentPage }));
export const DispatchPage = lazy(async () => ({ default: (await import('../invitations/DispatchPage')).DispatchPage }));
export const SentOfMeeting = lazy(async () => ({ default: (await import('../invitations/SentOfMeeting')).SentOfMeeting }));
export const HouseRulesPage = lazy(async () => ({ default: (await import('../houseRules/HouseRulesPage')).HouseRulesPage }));
export const SignInPage = lazy(async () => ({ default: (await import('../people/SignInPage')).SignInPage }));
export const FirstAccountPage = lazy(async () => ({ default: (await import('../people/FirstAccountPage')).FirstAccountPage }));
export const SetPasswordPage = lazy(async () => ({ default: (await import('../people/SetPasswordPage')).SetPasswordPage }));
export const AgreeAddressPage = lazy(async () => ({ default: (await import('../people/AgreeAddressPage')).AgreeAddressPage }));

// What opens over a page comes when it is first opened.
export const Palette = lazy(async () => ({ default: (await import('./Palette')).Palette }));
export const KeysDialog = lazy(async () => ({ default: (await import('./KeysDialog')).KeysDialog }));
export const SettingsDialog = lazy(async () => ({ default: (await import('./SettingsDialog')).SettingsDialog }));
export const loadOwnMenu = () => import('./OwnMenu');
export const OwnMenu = lazy(async () => ({ default: (await loadOwnMenu()).OwnMenu }));
/** Fetched soon after the page stands: it is needed when the way to the server may have changed. */
export const loadSignInAgain = () => import('../people/SignInAgain');
export const SignInAgain = lazy(async () => ({ default: (await loadSignInAgain()).SignInAgain }));
