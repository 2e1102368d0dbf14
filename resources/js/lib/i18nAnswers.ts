import { enAnswers } from './enAnswers';
import { i18next } from './i18n';

// Whoever imports this has the words of answers.
i18next.addResourceBundle('en', 'translation', enAnswers, true);
