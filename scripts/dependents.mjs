import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';

const FROM = /\b(import|export)\s+(?:type\s+)?([^'"();]*?)\s*from\s*'([^']+)'/g;
const BARE = /\bimport\s*\(?\s*'([^']+)'/g;
const DECLARED = /\bexport\s+(?:declare\s+)?(?:async\s+)?(?:function\*?|const|let|class|interface|type|enum)\s+(\w+)/g;
const LISTED = /\bexport\s+(?:type\s+)?\{([^}]*)\}\s*;/g;
const DESTRUCTURED = /\bexport\s+const\s+\{([^}]*)\}/g;

/**
 * Which of `files` (paths below `root`) depend on which, name by name: an index that passes on a hundred modules makes nobody depend on
 * all of them. Read from the text as our formatter leaves it, not by a compiler: it takes a second.
 */
export function importGraph(root, files) {
  const modules = new Map(files.map((file) => [file, read(root, file)]));
  const resolve = (from, to) => resolved(root, modules, from, to);

  /** The file in which a name that a module passes on is declared; the module itself where that cannot be told. */
  function home(file, name, seen = new Set()) {
    const module = modules.get(file);
    if (!module || module.declares.has(name) || seen.has(file)) return file;
    seen.add(file);
    for (const { names, all, spec } of module.passes) {
      const next = resolve(file, spec);
      if (!next) continue;
      if (all ? provides(next, name) : names.has(name)) return home(next, names.get(name) ?? name, seen);
    }
    return file;
  }
  function provides(file, name, seen = new Set()) {
    const module = modules.get(file);
    if (!module || seen.has(file)) return false;
    seen.add(file);
    if (module.declares.has(name)) return true;
    return module.passes.some(({ names, all, spec }) => {
      const next = resolve(file, spec);
      return next !== undefined && (all ? provides(next, name, seen) : names.has(name));
    });
  }

  const users = new Map();
  const note = (user, used) => {
    if (!users.has(used)) users.set(used, new Set());
    users.get(used).add(user);
  };
  for (const [file, { uses, passes }] of modules) {
    for (const { names, spec } of uses) {
      const next = resolve(file, spec);
      if (!next) continue;
      if (!names) note(file, next);
      else for (const name of names) note(file, home(next, name));
    }
    for (const { spec } of passes) {
      const next = resolve(file, spec);
      if (next) note(file, next);
    }
  }
  return users;
}

/** All files that depend on any of `changed`, those among them. */
export function dependentsOf(users, changed) {
  const found = new Set(changed);
  const waiting = [...changed];
  for (let file = waiting.pop(); file !== undefined; file = waiting.pop())
    for (const user of users.get(file) ?? []) {
      if (found.has(user)) continue;
      found.add(user);
      waiting.push(user);
    }
  return found;
}

function read(root, file) {
  const text = /\.json$/.test(file) ? '' : readFileSync(join(root, file), 'utf8');
  const module = { declares: new Set(), passes: [], uses: [] };
  for (const [, name] of text.matchAll(DECLARED)) module.declares.add(name);
  for (const pattern of [LISTED, DESTRUCTURED])
    for (const [, list] of text.matchAll(pattern)) for (const [, to] of pairs(list)) module.declares.add(to);
  for (const [, what, clause, spec] of text.matchAll(FROM)) {
    const list = /\{([^}]*)\}/.exec(clause)?.[1];
    if (what === 'export') {
      const names = new Map(pairs(list ?? '').map(([from, to]) => [to, from]));
      module.passes.push({ names, all: list === undefined, spec });
    } else {
      // All of it, or its default: whatever changes there counts.
      const isWhole = list === undefined || !/^\s*(type\s*)?\{/.test(clause);
      module.uses.push({ names: isWhole ? undefined : pairs(list).map(([from]) => from), spec });
    }
  }
  for (const [, spec] of text.matchAll(BARE)) module.uses.push({ names: undefined, spec });
  return module;
}

/** “type a, b as c” as [a, a], [b, c]. */
const pairs = (list) =>
  list
    .split(',')
    .map((one) => one.trim().replace(/^type\s+/, ''))
    .filter(Boolean)
    .map((one) => one.split(/\s+as\s+|\s*:\s*/))
    .map(([from, to = from]) => [from, to]);

const exportsOf = new Map();
function resolved(root, modules, from, spec) {
  const path = spec.split('?')[0];
  if (path.startsWith('.')) {
    const file = normalize(join(dirname(from), path));
    return modules.has(file) ? file : undefined;
  }
  const [, name, sub] = /^@anvilstone\/([\w-]+)(?:\/(.*))?$/.exec(path) ?? [];
  if (!name) return undefined;
  const home = `packages/${name}`;
  const key = join(root, home);
  if (!exportsOf.has(key)) {
    const file = join(key, 'package.json');
    exportsOf.set(key, existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')).exports ?? {}) : {});
  }
  const target = exportsOf.get(key)[sub ? `./${sub}` : '.'];
  return typeof target === 'string' ? normalize(join(home, target)) : undefined;
}
