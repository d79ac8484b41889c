// The pool requires its worker; all else is a module.
exports.setup = async (settings) => (await import('./lightRun.mjs')).setup(settings);
exports.teardown = async () => (await import('./lightRun.mjs')).teardown();
exports.run = async (path, project) => (await import('./lightRun.mjs')).run(path, project);
