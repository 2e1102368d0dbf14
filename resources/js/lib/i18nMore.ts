import { enMore } from './enMore';
import { i18next } from './i18n';

// Whoever imports this has the words of the rarely opened pages.
i18next.addResourceBundle('en', 'translation', enMore, true);
