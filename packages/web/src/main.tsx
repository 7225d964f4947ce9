import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/app.tsx';
import './app.css';
import { replies } from './app/api.ts';
import { applyTheme, storedTheme } from './app/theme.ts';

applyTheme(storedTheme());
// What checks the server's answers is wanted by the first of them: it comes beside the first place, not after it.
void replies();
const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
}
