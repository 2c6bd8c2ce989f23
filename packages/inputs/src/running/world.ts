/**
 * What a package finds where there is no browser: a page in which everything is there and nothing is anything. It is
 * enough to be loaded; nothing is drawn in it.
 */
export const blankWorld = `(() => {
  const blank = (given = {}) => {
    const kept = new Map(Object.entries(given));
    return new Proxy(function () {}, {
      get(_target, key) {
        if (kept.has(key)) return kept.get(key);
        if (key === Symbol.toPrimitive) return () => '';
        if (key === Symbol.iterator) return function* () {};
        if (key === 'then' || typeof key === 'symbol') return undefined;
        if (key === 'length') return 0;
        const value = /^(nextSibling|previousSibling|firstChild|lastChild|parentNode|parentElement|nextElementSibling|previousElementSibling|firstElementChild|lastElementChild)$/.test(key) ? null : blank();
        kept.set(key, value);
        return value;
      },
      set(_target, key, value) { kept.set(key, value); return true; },
      has: () => true,
      apply: () => blank(),
      construct: () => blank(),
    });
  };
  const put = (name, value) => { try { Object.defineProperty(globalThis, name, { value, writable: true, configurable: true }); } catch {} };
  const defined = [];
  put('poietraDefined', defined);
  for (const name of ['window', 'self', 'top', 'parent']) put(name, globalThis);
  put('poietraBlank', blank);
  // What is given in place of a selector is what is looked for.
  const found = (given) => (typeof given === 'function' ? given : blank());
  put('document', blank({ nodeType: 9, readyState: 'complete', currentScript: null, querySelector: found, getElementById: found, querySelectorAll: (given) => (typeof given === 'function' ? [given] : blank()) }));
  for (const name of ['localStorage', 'sessionStorage', 'history', 'screen', 'getComputedStyle', 'matchMedia', 'getSelection', 'visualViewport']) put(name, blank());
  put('navigator', { userAgent: '', appName: '', appVersion: '', product: '', platform: '', language: 'en', languages: ['en'], vendor: '', maxTouchPoints: 0 });
  put('location', { href: 'http://stand.localhost/', origin: 'http://stand.localhost', protocol: 'http:', host: 'stand.localhost', hostname: 'stand.localhost', pathname: '/', search: '', hash: '' });
  put('customElements', {
    define: (tag, made) => void defined.push([tag, made]),
    get: (tag) => defined.find(([one]) => one === tag)?.[1],
    whenDefined: () => new Promise(() => {}),
    upgrade: () => {},
  });
  for (const name of ['innerWidth', 'innerHeight', 'outerWidth', 'outerHeight', 'devicePixelRatio', 'scrollX', 'scrollY', 'pageXOffset', 'pageYOffset', 'screenX', 'screenY']) put(name, 0);
  for (const name of ['addEventListener', 'removeEventListener', 'dispatchEvent', 'cancelAnimationFrame', 'clearTimeout', 'scrollTo', 'setInterval']) put(name, () => 0);
  // Some define their elements a turn later than they are loaded.
  const later = [];
  for (const name of ['setTimeout', 'setImmediate', 'requestAnimationFrame', 'requestIdleCallback']) put(name, (work) => later.push(work));
  put('poietraLater', () => {
    for (let i = 0; i < later.length && i < 100; i++) try { later[i](0); } catch {}
  });
  const classes = ['EventTarget', 'Node', 'Element', 'HTMLElement', 'SVGElement', 'Document', 'DocumentFragment', 'ShadowRoot', 'Text', 'Comment', 'Attr', 'NodeList', 'HTMLCollection', 'NamedNodeMap', 'Range', 'Selection', 'CSSStyleSheet', 'MutationObserver', 'ResizeObserver', 'IntersectionObserver', 'PerformanceObserver', 'DOMParser', 'XMLSerializer', 'XMLHttpRequest', 'FileReader', 'FileList', 'Image', 'Worker', 'ElementInternals', 'MessageChannel',
    'UIEvent', 'MouseEvent', 'KeyboardEvent', 'PointerEvent', 'TouchEvent', 'FocusEvent', 'InputEvent', 'DragEvent', 'ClipboardEvent', 'WheelEvent', 'CustomEvent', 'DataTransfer', 'CanvasRenderingContext2D',
    ...['Input', 'Select', 'Option', 'TextArea', 'Button', 'Form', 'Label', 'Div', 'Span', 'Anchor', 'Image', 'Canvas', 'Template', 'Slot', 'Style', 'Script', 'Link', 'IFrame', 'Table', 'UList', 'OList', 'LI', 'FieldSet', 'Unknown', 'Media', 'Video', 'Audio', 'Body', 'Head', 'Html'].map((name) => 'HTML' + name + 'Element'),
    ...['SVG', 'Path', 'G', 'Graphics', 'Geometry', 'Rect', 'Circle', 'Line', 'Text', 'Use', 'Image'].map((name) => 'SVG' + name + 'Element')];
  for (const name of classes) if (!(name in globalThis)) put(name, /^HTML\w+Element$/.test(name) && name !== 'HTMLElement' ? { [name]: class extends HTMLElement {} }[name] : { [name]: class { observe() {} disconnect() {} } }[name]);
  // What is asked of every element is there, so that it is not taken for a package's own.
  for (const name of ['addEventListener', 'removeEventListener', 'dispatchEvent', 'setAttribute', 'getAttribute', 'hasAttribute', 'removeAttribute', 'toggleAttribute', 'querySelector', 'querySelectorAll', 'attachShadow', 'focus', 'blur', 'click', 'append', 'remove', 'getBoundingClientRect', 'closest', 'contains'])
    Object.defineProperty(HTMLElement.prototype, name, { value: () => blank(), configurable: true, writable: true });
})();`;
