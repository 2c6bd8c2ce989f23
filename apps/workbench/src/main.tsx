import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@poietra/react/skin.css';
import './app.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { beginOpening } from './frame/calm.js';
import { router } from './router.js';
import { openKit } from './store/kit.js';
import { openProject } from './store/project.js';

if (beginOpening()) location.replace('/kit?calm');
void openKit();
void openProject();
const host = document.getElementById('root');
if (host) {
  createRoot(host).render(
    <StrictMode>
      <RouterProvider router={router} />
    </StrictMode>,
  );
}
