import { AppError } from '../errors';

/** A file that comes in parts: a request is small here, whoever sends it. Kept in memory, for a while, so much in all. */
const parts = new Map<string, { at: number; chunks: (string | undefined)[]; size: number }>();
const keep_ms = 10 * 60_000;
const mostBytes = 64 * 1024 * 1024;
const mostParts = 4096;

function tidy(now: number): void {
	for (const [id, { at }] of parts) if (now - at > keep_ms) parts.delete(id);
}
const held = (): number => [...parts.values()].reduce((sum, p) => sum + p.size, 0);

/** Keeps a part; sent again it takes its own place. @throws {AppError} 413 */
export function addPart(id: string, n: number, text: string, now: number): void {
	tidy(now);
	const file = parts.get(id) ?? { at: now, chunks: [], size: 0 };
	const before = file.chunks[n]?.length ?? 0;
	if (n >= mostParts || held() - before + text.length > mostBytes) {
		parts.delete(id);
		throw new AppError(
			413,
			'TOO_LARGE',
			'The file is larger than 64 MB, or too many come in at once. Nothing was taken in.'
		);
	}
	file.chunks[n] = text;
	file.size += text.length - before;
	file.at = now;
	parts.set(id, file);
}

/** The file whole; it is forgotten, unless it is only looked at. @throws {AppError} 400 a part is missing, or it was too long ago */
export function wholeFile(id: string, count: number, now: number, look = false): string {
	tidy(now);
	const file = parts.get(id);
	if (!look) parts.delete(id);
	const chunks = file?.chunks ?? [];
	if (
		!file ||
		chunks.length !== count ||
		Array.from({ length: count }, (_, i) => chunks[i]).some((c) => c === undefined)
	)
		throw new AppError(400, 'PARTS_MISSING', 'Not all of the file arrived. Nothing was taken in; choose it again.');
	return chunks.join('');
}
