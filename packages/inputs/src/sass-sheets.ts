/** Sheets that a package ships as they were written, in Sass, made into CSS as an application's own tool makes them. */
import type { Plugin } from 'esbuild';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import type { FileImporter } from 'sass';

/** `whyNot` says of a file why it may be no part of a bundle; what a sheet loads is asked about as well as itself. */
export function sassSheets(whyNot: (path: string) => string | undefined): Plugin {
  return {
    name: 'sass-sheets',
    setup(builder) {
      builder.onLoad({ filter: /\.s[ac]ss$/, namespace: 'file' }, async ({ path }) => {
        // Most packages have none, and it takes a while to be there.
        const { compileAsync, Logger } = await import('sass');
        try {
          const { css, loadedUrls } = await compileAsync(path, {
            importers: [ofPackages(path)],
            logger: Logger.silent,
            charset: false,
          });
          const loaded = loadedUrls.map((url) => fileURLToPath(url));
          const errors = loaded.flatMap((one) => {
            const reason = whyNot(one);
            return reason === undefined ? [] : [{ text: `“${one}” ${reason}, so it is not bundled.` }];
          });
          if (errors.length > 0) return { errors };
          // A module's names are its own, and asked for by its script.
          const loader = /\.module\.s[ac]ss$/.test(path) ? 'local-css' : 'css';
          return { contents: css, loader, resolveDir: dirname(path), watchFiles: loaded };
        } catch (error) {
          const [says] = (error instanceof Error ? error.message : String(error)).split('\n');
          return { errors: [{ text: `“${path}” is written in Sass and could not be made into CSS: ${says ?? ''}` }] };
        }
      });
    },
  };
}

/** Finds what a sheet takes out of a package, by the package's name, with the sign that some tools want before it. */
function ofPackages(from: string): FileImporter {
  return {
    findFileUrl(url) {
      const path = url.replace(/^~/, '');
      if (/^[./]|^[a-z]+:/i.test(path)) return null;
      for (let folder = dirname(from); ; folder = dirname(folder)) {
        const name = path.split('/').slice(0, path.startsWith('@') ? 2 : 1);
        if (existsSync(join(folder, 'node_modules', ...name))) return pathToFileURL(join(folder, 'node_modules', path));
        if (dirname(folder) === folder) return null;
      }
    },
  };
}
