import '@testing-library/jest-dom/vitest';
import './lib/i18n';
