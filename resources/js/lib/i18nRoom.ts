import { enRoom } from './enRoom';
import { i18next } from './i18n';

// Whoever imports this has the words of a room.
i18next.addResourceBundle('en', 'translation', enRoom, true);
