import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import '@fontsource/atkinson-hyperlegible-next/latin-400.css';
import '@fontsource/atkinson-hyperlegible-next/latin-700.css';
import '@fontsource/atkinson-hyperlegible-mono/latin-400.css';
import '@fontsource/atkinson-hyperlegible-mono/latin-700.css';
import './app/theme.css';
import { App } from './app/App';
import { fetchParts } from './app/later';
import { startOffline } from './shared/offline/start';

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
}
/** The other screens are fetched once the first has had its time, ms. */
const FIRST_HAS_MS = 1500;
setTimeout(() => void fetchParts(), FIRST_HAS_MS);
startOffline();
