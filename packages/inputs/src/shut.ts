/**
 * What runs before any foreign code. A frame's policy keeps it from fetching, but peer connections and hints for
 * connections are not under it, so they are taken away, and cannot be put back.
 */
export const shutDoors = `(() => {
  const gone = ['RTCPeerConnection', 'webkitRTCPeerConnection', 'RTCDataChannel', 'RTCIceTransport', 'WebTransport', 'WebSocket', 'EventSource'];
  for (const name of gone) {
    try { Object.defineProperty(globalThis, name, { value: undefined, writable: false, configurable: false }); } catch {}
  }
  // A page has these, and a frame of no origin fails whoever asks for them: what is kept is kept as long as the frame stands.
  const store = () => {
    const kept = new Map();
    const own = {
      getItem: (key) => kept.get(String(key)) ?? null,
      setItem: (key, value) => void kept.set(String(key), String(value)),
      removeItem: (key) => void kept.delete(String(key)),
      clear: () => kept.clear(),
      key: (at) => [...kept.keys()][at] ?? null,
      get length() { return kept.size; },
    };
    return new Proxy(own, {
      get: (_, key) => (key in own ? own[key] : kept.get(key)),
      set: (_, key, value) => { kept.set(String(key), String(value)); return true; },
      has: (_, key) => key in own || kept.has(key),
      deleteProperty: (_, key) => { kept.delete(key); return true; },
      ownKeys: () => [...new Set([...Object.keys(own), ...kept.keys()])],
    });
  };
  for (const name of ['localStorage', 'sessionStorage']) {
    try { void globalThis[name].length; } catch { Object.defineProperty(globalThis, name, { value: store(), configurable: true }); }
  }
  try { if (typeof document === 'object') void document.cookie; } catch { Object.defineProperty(document, 'cookie', { value: '', writable: true, configurable: true }); }
  if (typeof HTMLLinkElement !== 'function') return;
  const far = /\\b(dns-prefetch|preconnect|prefetch|prerender|preload|modulepreload)\\b/i;
  const { setAttribute } = Element.prototype;
  const allowed = (element, name, value) => !(element instanceof HTMLLinkElement && String(name).toLowerCase() === 'rel' && far.test(String(value)));
  Element.prototype.setAttribute = function (name, value) {
    if (allowed(this, name, value)) setAttribute.call(this, name, value);
  };
  const rel = Object.getOwnPropertyDescriptor(HTMLLinkElement.prototype, 'rel');
  Object.defineProperty(HTMLLinkElement.prototype, 'rel', {
    ...rel,
    set(value) { if (allowed(this, 'rel', value)) rel.set.call(this, value); },
  });
})();`;

/** The same for drawing on the server: no network, no other process, no signal. */
export const shutProcess = `(() => {
  for (const name of ['fetch', 'WebSocket', 'EventSource', 'BroadcastChannel', 'MessageChannel'])
    try { Object.defineProperty(globalThis, name, { value: undefined, configurable: false }); } catch {}
  const refuse = (name) => () => { throw new Error(name + ' is not there for foreign code.'); };
  for (const name of ['kill', 'binding', '_linkedBinding', 'dlopen', 'abort', 'reallyExit', 'chdir', 'setuid', 'setgid', '_kill', '_debugProcess'])
    try { Object.defineProperty(process, name, { value: refuse('process.' + name), configurable: false }); } catch {}
  for (const name of ['ppid', 'env', 'argv', 'execPath', 'mainModule'])
    try { Object.defineProperty(process, name, { value: name === 'ppid' ? 0 : name === 'env' ? {} : undefined, configurable: false }); } catch {}
})();`;
