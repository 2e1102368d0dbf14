import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { en } from './en';

void i18next.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: 'en',
  // A copy: the words of other pages are added to it.
  resources: { en: { translation: structuredClone(en) } },
  interpolation: { escapeValue: false },
  returnNull: false,
});

export { i18next };
