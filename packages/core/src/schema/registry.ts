import { copyJson, isObject, joinPointer, ownMember, parsePointer, type Limits, type Pointer } from '../json/index.js';
import { idWord, knownIn, onlyNewest, positions, refStandsAlone, type Dialect, type Dialects } from './dialect.js';
import { resolveInside, splitFragment } from './uri.js';

/** A schema with an address of its own: a document, or a part of one that has an `$id`. */
export interface Resource {
  readonly uri: string;
  readonly root: unknown;
  readonly dialect: Dialect;
  /** The URI of the document it stands in; `''` for the schema that was handed in. */
  readonly document: string;
  /** Where in that document. */
  readonly at: Pointer;
  readonly anchors: Map<string, Spot>;
  readonly dynamicAnchors: Map<string, Spot>;
  recursive: boolean;
}

/** A subschema and where it stands. */
export interface Spot {
  readonly raw: unknown;
  readonly resource: Resource;
  readonly at: Pointer;
}

/** Asked now and then in long work; what it returns is waited for, so that others have their turn. */
export type Turn = () => Promise<void> | undefined;

/** A schema whose parts are still to be looked at. */
export interface Pending {
  readonly raw: unknown;
  readonly holder: Resource;
  readonly at: Pointer;
}

/** What a registry can find beyond the documents that it is given. */
export interface Beyond {
  /** A published meta-schema by its URI without fragment. */
  readonly metaSchema?: ((uri: string) => unknown) | undefined;
  /** The versions of JSON Schema that are known; without it, the newest. */
  readonly dialects?: Dialects | undefined;
  /** Resolves references to other documents; without it, only those inside a document lead anywhere. */
  readonly resolveUri?: ((base: string, reference: string) => string) | undefined;
}

/** The documents that a schema can refer to, by absolute URI. Foreign documents are copied and measured on their way in. */
export class Registry {
  readonly #resources = new Map<string, Resource>();
  /** Where each subschema object stands; the copies make sure that no object stands in two places. */
  readonly #spots = new Map<unknown, Spot>();
  readonly #waiting = new Map<string, unknown>();

  constructor(
    private readonly fallback: Dialect,
    private readonly limits: Limits,
    private readonly engine: Beyond,
  ) {}

  get #dialects(): Dialects {
    return this.engine.dialects ?? onlyNewest;
  }
  /** A reference as seen from a base (RFC 3986, section 5). */
  absolute(base: string, reference: string): string {
    return (this.engine.resolveUri ?? resolveInside)(base, reference);
  }

  /** Keeps a document until a reference asks for it. */
  offer(uri: string, document: unknown): void {
    this.#waiting.set(splitFragment(uri).document, document);
  }

  /** Reads a document now. Its own `$id` gives it a second address. */
  add(uri: string, document: unknown): Spot {
    const { root, pending } = this.begin(uri, document);
    this.#scanAll(pending);
    return root;
  }

  /** Reads a document as far as its root; `scanOne` reads what is pending. */
  begin(uri: string, document: unknown): { readonly root: Spot; readonly pending: Pending[] } {
    const copy = copyJson(document, this.limits);
    const address = splitFragment(uri).document;
    const holder = resourceOf({ uri: address, root: copy, dialect: this.fallback, document: address, at: '' });
    const pending: Pending[] = [];
    const root = this.scanOne({ raw: copy, holder, at: '' }, pending, true);
    if (!this.#resources.has(address)) this.#resources.set(address, root.resource);
    return { root, pending };
  }

  get resources(): Iterable<Resource> {
    return new Set(this.#resources.values());
  }

  /** What an absolute URI with a fragment leads to; `undefined` where the document or the place is not known. */
  resolve(uri: string): Spot | undefined {
    const { document, fragment } = splitFragment(uri);
    const resource = this.#resource(document);
    if (!resource) return undefined;
    if (fragment === '') return { raw: resource.root, resource, at: resource.at };
    if (fragment.startsWith('/')) return this.#walk(resource, fragment);
    return resource.anchors.get(fragment);
  }

  /** The spot of a subschema that was found by walking; `undefined` for booleans and what was never scanned. */
  spotOf(raw: unknown): Spot | undefined {
    return this.#spots.get(raw);
  }

  #resource(uri: string): Resource | undefined {
    const known = this.#resources.get(uri);
    if (known) return known;
    const document = this.#waiting.get(uri) ?? this.engine.metaSchema?.(uri);
    if (document === undefined) return undefined;
    this.add(uri, document);
    return this.#resources.get(uri);
  }

  #walk(resource: Resource, pointer: Pointer): Spot | undefined {
    let spot: Spot = { raw: resource.root, resource, at: resource.at };
    let tokens: string[];
    try {
      tokens = parsePointer(pointer);
    } catch {
      return undefined;
    }
    for (const token of tokens) {
      const raw = ownMember(spot.raw, token);
      if (raw === undefined) return undefined;
      spot = this.spotOf(raw) ?? { raw, resource: spot.resource, at: joinPointer(spot.at, token) };
    }
    // A place under a keyword nobody knows was not scanned, but a reference makes it a schema after all.
    if (isObject(spot.raw) && !this.#spots.has(spot.raw)) {
      const pending: Pending[] = [];
      const found = this.scanOne({ raw: spot.raw, holder: spot.resource, at: spot.at }, pending);
      this.#scanAll(pending);
      return found;
    }
    return spot;
  }

  #dialect(uri: string, fallback: Dialect): Dialect {
    const known = this.#dialects.standard(uri);
    if (known) return known;
    const meta = this.#resource(splitFragment(uri).document);
    return meta ? this.#dialects.fromMetaSchema(meta.uri, meta.root, meta.dialect) : fallback;
  }

  #scanAll(pending: Pending[]): void {
    for (let next = pending.pop(); next; next = pending.pop()) this.scanOne(next, pending);
  }

  /** Notes where a schema stands; its parts are put before what is pending, so that all is met in the document's order. */
  scanOne({ raw, holder, at }: Pending, pending: Pending[], isRoot = false): Spot {
    if (!isObject(raw)) {
      if (isRoot) this.#resources.set(holder.uri, holder);
      return { raw, resource: holder, at };
    }
    const resource = this.#openResource(raw, holder, at, isRoot);
    const spot: Spot = { raw, resource, at };
    this.#spots.set(raw, spot);
    this.#noteAnchors(raw, spot);
    const from = pending.length;
    for (const [keyword, position] of knownIn(raw, positions)) {
      const value = raw[keyword];
      if (value === undefined) continue;
      if (!resource.dialect.keywords.has(keyword) && keyword !== '$defs' && keyword !== 'definitions') continue;
      const below = joinPointer(at, keyword);
      const isList = Array.isArray(value);
      const isMap = position === 'map' || position === 'dependencies';
      if (position === 'schema' || (position === 'either' && !isList))
        pending.push({ raw: value, holder: resource, at: below });
      else if (isMap ? isObject(value) : isList)
        for (const [name, item] of Object.entries(value as object))
          // In a map, a list is no schema: it names members that are needed.
          if (!isMap || !Array.isArray(item))
            pending.push({ raw: item, holder: resource, at: joinPointer(below, name) });
    }
    reverseFrom(pending, from);
    return spot;
  }

  #openResource(raw: Record<string, unknown>, holder: Resource, at: Pointer, isRoot: boolean): Resource {
    const named = ownMember(raw, '$schema');
    let dialect = typeof named === 'string' ? this.#dialect(named, holder.dialect) : holder.dialect;
    let id = ownMember(raw, idWord(dialect));
    // A part that changes the draft may spell its id as that draft does only if it is a resource of its own.
    if (!isRoot && typeof id !== 'string') dialect = holder.dialect;
    if (refStandsAlone(dialect) && '$ref' in raw) id = undefined;
    const uri = typeof id === 'string' ? splitFragment(this.absolute(holder.uri, id)).document : holder.uri;
    const ownsAddress = typeof id === 'string' && !id.startsWith('#');
    if (!isRoot && !ownsAddress) return holder;
    const resource = resourceOf({ uri, root: raw, dialect, document: holder.document, at });
    resource.recursive = raw['$recursiveAnchor'] === true;
    this.#resources.set(uri, resource);
    if (isRoot) this.#resources.set(holder.uri, resource);
    return resource;
  }

  #noteAnchors(raw: Record<string, unknown>, spot: Spot): void {
    const { resource } = spot;
    const { draft } = resource.dialect;
    const id = ownMember(raw, idWord(resource.dialect));
    if (draft <= 7) {
      if (typeof id === 'string' && id.includes('#') && !('$ref' in raw)) {
        const { fragment } = splitFragment(id);
        if (fragment !== '') resource.anchors.set(fragment, spot);
      }
      return;
    }
    const anchor = ownMember(raw, '$anchor');
    if (typeof anchor === 'string') resource.anchors.set(anchor, spot);
    const dynamic = draft === 2020 ? ownMember(raw, '$dynamicAnchor') : undefined;
    if (typeof dynamic === 'string') {
      resource.anchors.set(dynamic, spot);
      resource.dynamicAnchors.set(dynamic, spot);
    }
  }
}

const resourceOf = (where: Pick<Resource, 'uri' | 'root' | 'dialect' | 'document' | 'at'>): Resource => ({
  ...where,
  anchors: new Map(),
  dynamicAnchors: new Map(),
  recursive: false,
});

/** The last one in is taken first. */
function reverseFrom(list: Pending[], from: number): void {
  if (list.length - from < 2) return;
  for (const one of list.splice(from).reverse()) list.push(one);
}
