import { enPlanning } from './enPlanning';
import { i18next } from './i18n';

// Whoever imports this has the words of planning.
i18next.addResourceBundle('en', 'translation', enPlanning, true);
