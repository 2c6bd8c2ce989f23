/** Events that nothing but a package's scripts names. */
import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type ts from 'typescript';
import type { ProjectPackage } from '../project.js';

/** How a class tells an event of a name of its own: `new CustomEvent('xy-change')`, `this.emit('xy-change')`. */
const tellsEvent =
  /\b(?:CustomEvent|Event|_?emit|_?fire|_?trigger|publish|notify|dispatch\w*)\(\s*["']([\w:.-]{3,40})["']/g;
/** More than the class of one element has. In characters. */
const mostScript = 200_000;

/** Where types say no events: those that the scripts beside the declarations tell. */
export function eventsInScripts(members: readonly ts.Symbol[]): string[] {
  const files = members.flatMap(({ declarations = [] }) => declarations.map((one) => one.getSourceFile().fileName));
  return [...new Set(files)].flatMap((file) => eventsIn(scriptOf(file.replace(/\.d\.ts$/, '.js'))));
}

/** The events that the script tells which the package's manifest names. */
export function eventsInMain({ folder, manifest }: ProjectPackage): string[] {
  const files = [manifest['main'], manifest['module']].filter((path) => typeof path === 'string');
  return [...new Set(files.flatMap((path) => eventsIn(scriptOf(join(folder, path), mostBundle))))].slice(0, mostEvents);
}
const mostEvents = 40;
/** More than the bundle of one widget has. In characters. */
const mostBundle = 2_000_000;

function eventsIn(script: string): string[] {
  return [...script.matchAll(tellsEvent)].map(([, name = '']) => name);
}

export function scriptOf(file: string, most = mostScript): string {
  return statSync(file, { throwIfNoEntry: false })?.isFile() ? readFileSync(file, 'utf8').slice(0, most) : '';
}
