import type { Kit } from '@poietra/core';
import { handOver, type HandoverFile, type OwnSources } from '@poietra/core/handover';
import { expect, test } from '@playwright/test';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { build, preview, type PreviewServer } from 'vite';
import { aWorkingDay, dayName } from './support.js';

const repository = join(import.meta.dirname, '..');
const kit = JSON.parse(readFileSync(join(repository, 'demo/kit.json'), 'utf8')) as Kit;
const sources = JSON.parse(readFileSync(join(repository, 'packages/own/dist/sources.json'), 'utf8')) as OwnSources;
const ways = [
  { way: 'with the libraries', own: undefined, skin: '@poietra/react/skin.css', name: 'handed-over' },
  { way: 'on its own', own: sources, skin: './own/skin.css', name: 'handed-own' },
];

for (const { way, own, skin, name } of ways)
  test.describe(way, () => {
    // Beside the sources of the demo project, which the adapters of its own inputs name.
    const home = join(repository, 'demo/project', name);
    const outDir = join(repository, 'test-results', name);
    let server: PreviewServer;

    test.beforeAll(async () => {
      for (const { path, text } of [...handOver(kit, { own }), ...application(skin)]) {
        mkdirSync(dirname(join(home, path)), { recursive: true });
        writeFileSync(join(home, path), text);
      }
      const common = { root: home, configFile: false, logLevel: 'error' } as const;
      await build({
        ...common,
        // Packages that what came along needs are those of the repository here.
        resolve: { dedupe: ['react', 'react-dom'], alias: own ? outside : {} },
        build: { outDir, emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 5000 },
      });
      server = await preview({ ...common, build: { outDir }, preview: { port: 0, host: '127.0.0.1' } });
    });
    test.afterAll(async () => {
      await server.close();
      rmSync(home, { recursive: true, force: true });
    });

    test('what is handed over runs in an application of its own', async ({ page }) => {
      const fetched: string[] = [];
      const errors: string[] = [];
      page.on('request', (request) => fetched.push(request.url().split('/').at(-1) ?? ''));
      page.on('pageerror', (error) => errors.push(String(error)));
      page.on('console', (said) => said.type() === 'error' && errors.push(said.text()));
      const [address = ''] = server.resolvedUrls?.local ?? [];

      await page.goto(`${address}#short`);
      await page.getByRole('button', { name: 'Send' }).click();
      await expect(page.getByRole('status').first()).toContainText('4 things have to be mended');
      const consignor = page.getByRole('group', { name: 'Consignor' });
      await expect(consignor.getByRole('textbox', { name: /^Name/ })).toBeFocused();
      await page.keyboard.type('Aldervik Timber');
      await page
        .getByRole('group', { name: 'Consignee' })
        .getByRole('textbox', { name: /^Name/ })
        .fill('Torsund Cold Store');
      await page.getByRole('button', { name: dayName(aWorkingDay()) }).click();

      await page.getByRole('textbox', { name: /^Pieces/ }).fill('12');
      await page.getByRole('button', { name: 'Send' }).click();
      await expect(page).toHaveTitle(/"pieces":12/);
      // The plan is there, so nobody makes one; expressions are written out, so nobody fetches their language; and what
      // checks values was put together for this schema.
      expect(fetched.filter((name) => /^(cel|more-drawings|more|engine|common|textual)-/.test(name))).toEqual([]);
      expect(fetched.filter((name) => name.includes('.checks-'))).toHaveLength(1);
      expect(errors).toEqual([]);
    });

    test('a form is drawn, filled and follows its conditions before what checks it has come; then it tells what is wrong', async ({
      page,
    }) => {
      let release = (): void => undefined;
      const released = new Promise<void>((done) => (release = done));
      await page.route(/checks-[^/]*\.js$/, async (route) => {
        await released;
        await route.continue();
      });
      const [address = ''] = server.resolvedUrls?.local ?? [];
      await page.goto(`${address}?#freight`);
      const hazardous = page.getByRole('checkbox', { name: /^Hazardous/ }).first();
      const contact = page.getByRole('textbox', { name: /^Emergency contact/ });
      await expect(contact).toBeHidden();
      await hazardous.click();
      await contact.focus();
      await contact.press('Tab');
      await expect(contact).not.toHaveAttribute('aria-invalid', 'true');
      await page.getByRole('button', { name: 'Send' }).click();
      await expect(page.getByRole('button', { name: /^Sending/ })).toBeVisible();
      await expect(page.getByText('things have to be mended')).toBeHidden();
      release();
      await expect(page.getByText('things have to be mended')).toBeVisible();
      await expect(contact).toHaveAttribute('aria-invalid', 'true');
    });
  });

const outside = Object.fromEntries(
  ['@preact/signals-core', '@marcbachmann/cel-js', 'url-template'].map((name) => [
    name,
    join(repository, 'node_modules', name),
  ]),
);

function application(skin: string): HandoverFile[] {
  return [
    {
      path: 'index.html',
      text: '<!doctype html><html lang="en"><title>Desk</title><link rel="icon" href="data:," /><div id="desk"></div><script type="module" src="main.tsx"></script></html>',
    },
    {
      path: 'main.tsx',
      text: `import '${skin}';
import { createRoot } from 'react-dom/client';

const forms = {
  '#short': async () => (await import('./forms/freight-booking-short.js')).FreightBookingShortForm,
  '#freight': async () => (await import('./forms/freight-booking.js')).FreightBookingForm,
  '#passage': async () => (await import('./forms/passage-booking.js')).PassageBookingForm,
};
const Form = await forms[location.hash as '#short']();
const send = async (sent: unknown) => {
  document.title = JSON.stringify(sent);
  return { kind: 'accepted', answer: {} } as const;
};
createRoot(document.getElementById('desk') as HTMLElement).render(<Form send={send} />);
`,
    },
  ];
}
