import { serveStand } from '../src/serve-stand.js';

it('gives a page its three files under a strict policy, and nothing else, and nothing once it has ended', async () => {
  const served = await serveStand({ script: 'tide()', style: 'i {}' }, 'body {}');
  const near = (url: string): string => url.replace('stand.localhost', '127.0.0.1');
  const read = async (name: string): Promise<string> => (await fetch(near(served.address + name))).text();
  const page = await fetch(near(served.address));
  expect(page.headers.get('content-security-policy')).toContain("default-src 'none'");
  expect(page.headers.get('content-security-policy')).toContain('sandbox allow-scripts');
  expect([await page.text(), await read('stand.js'), await read('stand.css')]).toEqual([
    expect.stringContaining('<style>body {}</style>'),
    'tide()',
    'i {}',
  ]);
  const { address } = served;
  expect([address, `${address}stand.js`, `${address}more.js`, `${address}../stand.js`].map(served.isOwn)).toEqual([
    true,
    true,
    false,
    false,
  ]);
  expect((await fetch(near(`${address}more.js`))).status).toBe(404);
  served.end();
  expect((await fetch(near(`${address}stand.js`))).status).toBe(404);
});
