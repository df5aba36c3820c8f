import { existsSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { capture, must, run } from './run.mjs';
import { Plain, root, say } from './say.mjs';

const stamp = join(root, 'node_modules', '.root-jar-lock');

/** Installs the packages when they are missing or the lock file has changed since the last install. */
export async function ensurePackages() {
	const lock = createHash('sha256')
		.update(readFileSync(join(root, 'package-lock.json')))
		.digest('hex');
	if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
	if (existsSync(join(root, 'node_modules', '.package-lock.json')) && !existsSync(stamp)) {
		const { code } = await capture('npm', ['ls', '--depth=0', '--silent']);
		if (code === 0) return void writeFileSync(stamp, lock);
	}
	say('Installing packages (about a minute, the first time only) …');
	await must('npm ci', 'npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
	mkdirSync(join(root, 'node_modules'), { recursive: true });
	writeFileSync(stamp, lock);
}

/** @param {string} name */
async function onPath(name) {
	return (await capture('sh', ['-c', `command -v ${name}`])).code === 0;
}

/** Apt does one thing at a time: whoever asks waits for who asked before. @type {Promise<unknown>} */
let asked = Promise.resolve();
/** The lists of what there is are read once. @type {Promise<unknown> | undefined} */
let lists;

/**
 * Makes sure that a Debian package is there: by apt when that is permitted, else says the exact command.
 * @param {string} what @param {string[]} packages @param {() => boolean | Promise<boolean>} present
 * @returns {Promise<void>}
 */
export function ensureDebian(what, packages, present) {
	const own = asked.then(() => fetchDebian(what, packages, present));
	asked = own.catch(() => {});
	return own;
}

/** @param {string} what @param {string[]} packages @param {() => boolean | Promise<boolean>} present */
async function fetchDebian(what, packages, present) {
	if (await present()) return;
	const command = `apt-get install -y ${packages.join(' ')}`;
	const isRoot = process.getuid?.() === 0;
	if (!isRoot || !(await onPath('apt-get'))) {
		throw new Plain(
			`${what} is not installed here. Install it with\n\n    sudo apt-get update && sudo ${command}\n\nand start again.`
		);
	}
	say(`Installing ${what} from Debian's packages …`);
	const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
	await (lists ??= run('apt-get', ['update', '-qq'], { env, quiet: true }));
	await must(command, 'apt-get', ['install', '-y', '-qq', ...packages], {
		env,
		stdio: ['ignore', 'ignore', 'inherit']
	});
	if (!(await present())) throw new Plain(`${what} is still not found after "${command}".`);
}

export const chromiumPath = () =>
	[process.env.CHROMIUM_PATH, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((p) => p && existsSync(p));

export const ensureChromium = () => ensureDebian('Chromium', ['chromium'], () => Boolean(chromiumPath()));
/** Debian's Chromium without its windows, a tenth quicker for pages that nobody sees; else the whole one. */
const shell = '/usr/bin/chromium-headless-shell';
export const testBrowser = () => process.env.CHROMIUM_PATH ?? (existsSync(shell) ? shell : chromiumPath());

/** The browser of the tests: where its light build cannot be had, the one that is there, or that can be had, does. */
export async function ensureTestBrowser() {
	if (process.env.CHROMIUM_PATH || existsSync(shell)) return;
	try {
		await ensureDebian('Chromium for tests', ['chromium-headless-shell'], () => existsSync(shell));
	} catch (error) {
		say(`${error instanceof Error ? error.message : error}\nThe whole Chromium does it too.`);
		await ensureChromium();
	}
}
export const ensurePdfTools = () => ensureDebian('pdftoppm', ['poppler-utils'], () => onPath('pdftoppm'));
