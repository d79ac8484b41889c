import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';
import { textsOf } from './texts.mjs';

/** Words of the first build that no interface, message or document of the app uses any more. */
const RETIRED = [
  /\bways? up\b/i,
  /\bbuilt of\b/i,
  /\bstrength in plane\b|\bstrength across layers\b/i,
  /\bsag(s|ged)?\b/i,
  /\bown heat limit\b/i,
  /\btough in the cold\b/i,
  /\bcomes again and again\b|\bcomes once in a while\b/i,
  /\bleast over largest\b|\bstatic pull that\b/i,
  /\bgive of the face\b|\bgrows with its seat\b/i,
  /\basked of it\b|\bwhat it must do\b|\bstill standing\b/i,
  /\bcheapest that passe?s?\b|\bweakest link\b|\blightest when sized\b/i,
  /\bas sure as\b/i,
  /\bkeep this view\b|\bcompare the leaders\b|\btake it into\b/i,
  /\bits real shape\b|\bon which machine\b|\bspeaks? against\b|\bunblock/i,
  /\bwhat it costs\b|\bit would settle\b|\bforetold\b/i,
  /\bpull a bar\b|\bleave it loaded\b|\bwarm it step\b/i,
  /\bwrite it down\b|\bcame to no result\b|\bfrom the gauges\b|\bout of a file\b/i,
  /\blooks that are due\b|\blook now\b|\bput one in service\b|\bwritten on it\b/i,
  /\bto be looked at\b|\btoo hopeful\b|\bi have looked\b|\bsettle this\b|\bnobody knows\b/i,
  /\bquick sums?\b|\bhouse rules?\b|\blook around\b|\bpractise\b/i,
  /\bgive it away\b|\bkeep it safe\b|\btake one in\b|\blong work\b|\bas in a new\b/i,
  /\bfamilies and strands\b|\broads\b|\bfalls of the\b/i,
  /\bwhose numbers\b|\bhow careful\b/i,
];

/** Texts that people read; what the sample tells is told by people. */
const sources = execFileSync('git', ['ls-files', 'packages'], { cwd: root, encoding: 'utf8' })
  .split('\n')
  .filter((file) => /\/src\/.*\.tsx?$/.test(file) && !/test/i.test(file) && !/\/(sample|migrations)\//.test(file));

test('the texts of a source are read without its names, types and styles', () => {
  const source = `import x from './A b';
    type Kind = 'Not this';
    const a = <p className="Nor this" title="But this">and {f(\`half \${n} of it\`)}</p>;`;
  expect(textsOf(source).map(({ text }) => text)).toEqual(['But this', 'half … of it']);
});

test('no text says what was retired', () => {
  expect(sources.length).toBeGreaterThan(500);
  const found = sources.flatMap((file) =>
    textsOf(readFileSync(join(root, file), 'utf8'), file)
      .filter(({ text }) => RETIRED.some((word) => word.test(text)))
      .map(({ line, text }) => `${file}:${line} ${text}`),
  );
  expect(found).toEqual([]);
});
