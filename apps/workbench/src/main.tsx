import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@poietra/react/skin.css';
import './app.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { beginOpening } from './frame/calm.js';
import { router } from './router.js';
import { guardFocus } from './parts/focus-guard.js';
import { readInWorker } from './parts/read-kit.js';
import { openKit } from './store/kit.js';
import { followFile } from './store/kit-file.js';
import { openProject } from './store/project.js';

guardFocus();
if (beginOpening()) location.replace('/kit?calm');
void openKit();
void openProject();
followFile(async (text) => {
  const read = await readInWorker(new Blob([text])).done;
  return read ?? { ok: false, problems: [] };
});
const host = document.getElementById('root');
if (host) {
  createRoot(host).render(
    <StrictMode>
      <RouterProvider router={router} />
    </StrictMode>,
  );
}
