// Writes the notices of everything shipped with Veliform: the crates of the program and the packages of
// the page, each with its licence, and every licence's text once.
// Usage: node scripts/notices.mjs > web/public/notices.txt
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Crates built into the program: what its normal dependencies reach, on the platform it is made for. */
function crates() {
  const metadata = JSON.parse(
    execFileSync(
      'cargo',
      ['metadata', '--locked', '--format-version=1', '--filter-platform=x86_64-unknown-linux-gnu'],
      { cwd: root, maxBuffer: 1 << 28 },
    ),
  );
  const nodes = new Map(metadata.resolve.nodes.map((node) => [node.id, node]));
  const packages = new Map(metadata.packages.map((p) => [p.id, p]));
  const reached = new Set();
  const open = metadata.packages.filter((p) => p.name === 'veliform-server').map((p) => p.id);
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (reached.has(id)) continue;
    reached.add(id);
    for (const dep of nodes.get(id).deps)
      if (dep.dep_kinds.some((kind) => kind.kind === null)) open.push(dep.pkg);
  }
  return [...reached]
    .map((id) => packages.get(id))
    .filter((p) => p.source !== null)
    .map((p) => ({
      name: p.name,
      version: p.version,
      licence: p.license ?? `see ${p.license_file}`,
      folder: dirname(p.manifest_path),
    }));
}

/** Packages of the page: what its own dependencies bring, tools left out. */
function pages() {
  const lock = JSON.parse(readFileSync(join(root, 'web/package-lock.json'), 'utf8'));
  return Object.entries(lock.packages)
    .filter(([path, p]) => path !== '' && !p.dev && !p.optional && !p.devOptional && !p.peer)
    .map(([path, p]) => ({
      name: path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length),
      version: p.version,
      licence: p.license ?? 'see its text',
      folder: join(root, 'web', path),
    }));
}

/** Texts of a package's licence files, in the order of their names. */
function texts(folder) {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { withFileTypes: true })
    .filter((file) => file.isFile() && /^(licen[cs]e|copying|notice|unlicense)/i.test(file.name))
    .map((file) => file.name)
    .sort()
    .map((name) => readFileSync(join(folder, name), 'utf8').replaceAll('\r\n', '\n').trim());
}

const byName = (a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.version < b.version ? -1 : 1);
const shipped = [...crates().sort(byName), ...pages().sort(byName)];
const users = new Map();
for (const one of shipped)
  for (const text of texts(one.folder))
    users.set(text, [...(users.get(text) ?? []), `${one.name} ${one.version}`]);

const lines = [
  'What Veliform is built with',
  '',
  'Each part by its name and version, with its licence; the texts follow.',
  '',
  ...shipped.map((p) => `${p.name} ${p.version}: ${p.licence}`),
];
for (const [text, names] of users) lines.push('', '-'.repeat(72), `Of ${names.join(', ')}:`, '', text);
process.stdout.write(`${lines.join('\n')}\n`);
