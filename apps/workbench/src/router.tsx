import { createBrowserRouter } from 'react-router';
import { Frame } from './frame/frame.js';
import { PageError } from './frame/page-error.js';
import { wayIn } from './frame/way-in.js';
import { pages } from './pages.js';
import { Busy } from './parts/states.js';

/** Everything that can be looked at has an address. Pages are fetched when they are first opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Frame />,
    errorElement: <PageError />,
    hydrateFallbackElement: <Busy>Opening …</Busy>,
    // A page that breaks breaks alone: what stands around it, and the way to other pages, stay.
    children: [
      {
        errorElement: <PageError />,
        children: [
          { index: true, loader: wayIn, element: null, hydrateFallbackElement: <Busy>Opening the kit …</Busy> },
          ...pages.map(({ path, load }) => ({ path, lazy: load })),
          { path: '*', lazy: () => import('./frame/not-found.js') },
        ],
      },
    ],
  },
]);
