/* Pages of outside guests: a bundle of their own, without anything that only those who plan need. */
import '../css/app.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { OfferPage } from './guest/OfferPage';

// What has the focus is not hidden behind the line at the foot.
document.documentElement.classList.add('scroll-pb-36');

createRoot(document.getElementById('app') as HTMLElement).render(
  <StrictMode>
    <OfferPage />
  </StrictMode>,
);
