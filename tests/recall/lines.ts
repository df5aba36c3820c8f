import { readFileSync } from 'node:fs';

/** Lines of a recall beside this file, without comments, split at the bars. */
export const linesOf = (file: string): string[][] =>
	readFileSync(new URL(file, import.meta.url), 'utf8')
		.split('\n')
		.filter((line) => line.includes('|') && !line.startsWith('#'))
		.map((line) => line.split('|').map((part) => part.trim()));
