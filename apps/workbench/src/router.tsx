import { createBrowserRouter, redirect } from 'react-router';
import { Frame } from './frame/frame.js';
import { PageError } from './frame/page-error.js';
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
          { index: true, loader: () => redirect('/forms/freight-booking-short') },
          {
            path: 'inputs',
            lazy: () => import('./pages/inputs/inputs-page.js'),
            children: [
              { path: 'together', lazy: () => import('./pages/inputs/together-page.js') },
              { path: ':id', lazy: () => import('./pages/inputs/stand-page.js') },
            ],
          },
          { path: 'adapters/:name', lazy: () => import('./pages/inputs/adapter-page.js') },
          {
            path: 'codecs',
            lazy: () => import('./pages/codecs/codecs-page.js'),
            children: [{ path: ':name', lazy: () => import('./pages/codecs/codec-page.js') }],
          },
          {
            path: 'fields',
            lazy: () => import('./pages/fields/fields-page.js'),
            children: [{ path: ':name', lazy: () => import('./pages/fields/field-page.js') }],
          },
          {
            path: 'groups',
            lazy: () => import('./pages/groups/groups-page.js'),
            children: [{ path: ':name', lazy: () => import('./pages/groups/group-page.js') }],
          },
          { path: 'forms', lazy: () => import('./pages/forms/forms-page.js') },
          { path: 'forms/:name/:record?', lazy: () => import('./pages/forms/form-page.js') },
          { path: 'shelf/:id?', lazy: () => import('./pages/shelf/shelf-page.js') },
          { path: 'links', lazy: () => import('./pages/links/links-page.js') },
          { path: 'hand-over', lazy: () => import('./pages/hand-over/hand-over-page.js') },
          { path: 'kit', lazy: () => import('./pages/kit/kit-page.js') },
          { path: '*', lazy: () => import('./frame/not-found.js') },
        ],
      },
    ],
  },
]);
