import '@testing-library/jest-dom/vitest';
import { cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';
import './lib/i18n';
import './lib/i18nMore';
import './lib/i18nPlanning';

afterEach(cleanup);
