import { pathToFileURL } from 'node:url';

const OF_PAGES = /\/packages\/web\/src\//;
let mapped = [];

/** @param {[name: string, path: string][]} data regular expressions of what is imported, and the file taken in its place */
export function initialize(data) {
  mapped = data.map(([name, path]) => [new RegExp(name), pathToFileURL(path).href]);
}

/**
 * Besides: what a module asked for with `?fresh=…` imports of the pages is as fresh as it is, so that a test can have a page after another
 * that shares nothing in memory with it.
 */
export async function resolve(specifier, context, nextResolve) {
  const found = mapped.find(([name]) => name.test(specifier));
  const resolved = await nextResolve(found ? found[1] : specifier, context);
  const fresh = /[?&]fresh=(\w+)/.exec(context.parentURL ?? '')?.[1];
  if (!fresh || !OF_PAGES.test(resolved.url) || resolved.url.includes('fresh=')) return resolved;
  return { ...resolved, url: `${resolved.url}${resolved.url.includes('?') ? '&' : '?'}fresh=${fresh}` };
}
