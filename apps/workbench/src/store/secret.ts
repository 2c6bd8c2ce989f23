/** The secret of the server's start, which stands in the page; the server's `/api` asks for it. */
const secretHeader = 'Poietra-Secret';

let known: string | undefined;

function inPage(page: ParentNode): string {
  return page.querySelector<HTMLMetaElement>(`meta[name="${secretHeader.toLowerCase()}"]`)?.content ?? '';
}

const withSecret = (init: RequestInit | undefined): RequestInit => ({
  ...init,
  headers: { ...(init?.headers as Record<string, string> | undefined), [secretHeader]: (known ??= inPage(document)) },
});

/** `fetch` for `/api`. Where the server was started anew since the page was loaded, its new secret is read first. */
export async function fetchApi(address: string, init?: RequestInit): Promise<Response> {
  const response = await fetch(address, withSecret(init));
  if (response.status !== 401) return response;
  const page = await (await fetch('/', { cache: 'no-store' })).text();
  known = inPage(new DOMParser().parseFromString(page, 'text/html'));
  return fetch(address, withSecret(init));
}
