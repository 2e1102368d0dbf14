/** Languages in which invitations are written, as they call themselves. */
export const LANGUAGES: Record<string, string> = {
  en: 'English',
  de: 'Deutsch',
  fr: 'Français',
  es: 'Español',
  pt: 'Português',
  ja: '日本語',
  ar: 'العربية',
};

/** Those, and the one that somebody has who is written to in another. */
export const languageChoices = (own: string | null): [string, string][] =>
  Object.entries({ ...LANGUAGES, ...(own && !(own in LANGUAGES) ? { [own]: own } : {}) });
