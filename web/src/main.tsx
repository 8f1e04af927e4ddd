import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import '@fontsource/atkinson-hyperlegible-next/latin-400.css';
import '@fontsource/atkinson-hyperlegible-next/latin-700.css';
import '@fontsource/atkinson-hyperlegible-mono/latin-400.css';
import '@fontsource/atkinson-hyperlegible-mono/latin-700.css';
import './app/theme.css';
import { App } from './app/App';
import { fetchParts, PartMissing } from './app/later';
import { startOffline } from './shared/offline/start';

/** A part that did not come is said on the page; what breaks is told to the console as well. */
function onCaughtError(error: unknown): void {
  if (!(error instanceof PartMissing)) console.error(error);
}

const root = document.getElementById('root');
if (root) {
  createRoot(root, { onCaughtError }).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
}
/** The other screens are fetched once the first has had its time, ms. */
const FIRST_HAS_MS = 1500;
setTimeout(() => void fetchParts(), FIRST_HAS_MS);
startOffline();
