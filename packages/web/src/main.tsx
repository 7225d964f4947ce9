import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/app.tsx';
import { sayWhenAtRest } from './app/at-rest.ts';
import './app.css';
import { queryClient } from './app/query-client.ts';
import { router } from './app/router.tsx';
import { deviceIsReady, fetchLetters, keepAppForLater } from './app/start.ts';
import { applyTheme, storedTheme } from './app/theme.ts';

applyTheme(storedTheme());
fetchLetters();
const root = document.getElementById('root');
if (root) {
  const drawn = createRoot(root);
  void deviceIsReady().then(() =>
    drawn.render(
      <StrictMode>
        <App />
      </StrictMode>,
    ),
  );
  sayWhenAtRest(queryClient, router);
}
keepAppForLater();
