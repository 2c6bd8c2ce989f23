import type { PartKind } from '@poietra/core';
import type { RouteObject } from 'react-router';

type Load = NonNullable<RouteObject['lazy']>;

/** One page: its address, and how it is found. Router, order of work and palette all read this one list. */
export interface Page {
  readonly path: string;
  readonly load: Load;
  /** What the palette calls it; pages of one thing have none of their own. */
  readonly name?: string;
  /** A station of the order of work. */
  readonly isStop?: true;
  /** The parts of the kit that are listed there and have a page each. */
  readonly kind?: PartKind;
}

/** Stops stand in the order of work. Another page is one more entry here. */
export const pages: readonly Page[] = [
  {
    path: 'inputs',
    name: 'Inputs',
    isStop: true,
    kind: 'adapters',
    load: () => import('./pages/inputs/inputs-page.js'),
  },
  {
    path: 'inputs/together',
    name: 'Several inputs as one value',
    load: () => import('./pages/inputs/together-page.js'),
  },
  { path: 'inputs/:id', load: () => import('./pages/inputs/stand-page.js') },
  { path: 'adapters/:name', load: () => import('./pages/inputs/adapter-page.js') },
  { path: 'codecs', name: 'Codecs', isStop: true, kind: 'codecs', load: () => import('./pages/codecs/codecs-page.js') },
  { path: 'codecs/:name', load: () => import('./pages/codecs/codec-page.js') },
  { path: 'fields', name: 'Fields', isStop: true, kind: 'fields', load: () => import('./pages/fields/fields-page.js') },
  { path: 'fields/:name', load: () => import('./pages/fields/field-page.js') },
  { path: 'groups', name: 'Groups', isStop: true, kind: 'groups', load: () => import('./pages/groups/groups-page.js') },
  { path: 'groups/:name', load: () => import('./pages/groups/group-page.js') },
  { path: 'forms', name: 'Forms', isStop: true, kind: 'forms', load: () => import('./pages/forms/forms-page.js') },
  { path: 'begin', name: 'Begin a form', load: () => import('./pages/forms/begin-page.js') },
  { path: 'forms/:name/:record?', load: () => import('./pages/forms/form-page.js') },
  { path: 'form-settings/:name', load: () => import('./pages/forms/settings-page.js') },
  { path: 'map', name: 'Map from inputs to forms', load: () => import('./pages/map/map-page.js') },
  { path: 'skins', name: 'Skins', kind: 'skins', load: () => import('./pages/skins/skins-page.js') },
  { path: 'skins/:name', load: () => import('./pages/skins/skin-page.js') },
  { path: 'look', name: 'Look', load: () => import('./pages/look/look-page.js') },
  { path: 'documents', name: 'Documents', load: () => import('./pages/documents/documents-page.js') },
  { path: 'documents/:uri', load: () => import('./pages/documents/document-page.js') },
  { path: 'shelf/:id?', name: 'Shelf', load: () => import('./pages/shelf/shelf-page.js') },
  { path: 'links', name: 'Links', load: () => import('./pages/links/links-page.js') },
  { path: 'hand-over', name: 'Hand-over', isStop: true, load: () => import('./pages/hand-over/hand-over-page.js') },
  { path: 'kit', name: 'Kits', load: () => import('./pages/kit/kit-page.js') },
];
