import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsQR from 'jsqr';
import { PNG } from 'pngjs';
import { expect, startRun, test } from './help';

/** Renders a PDF as a printer would. @returns a picture for each sheet, and the words */
function render(bytes: Buffer): { sheets: PNG[]; text: string } {
	const folder = mkdtempSync(join(tmpdir(), 'root-jar-labels-'));
	const file = join(folder, 'labels.pdf');
	writeFileSync(file, bytes);
	execFileSync('pdftoppm', ['-r', '200', '-png', file, join(folder, 'sheet')]);
	const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
	const sheets = readdirSync(folder)
		.filter((f) => f.endsWith('.png'))
		.sort()
		.map((f) => PNG.sync.read(readFileSync(join(folder, f))));
	return { sheets, text };
}

/** Cuts one label out of a sheet of three by eight on A4 and reads its code. */
function decode(sheet: PNG, column: number, row: number): string | undefined {
	const px = 200 / 25.4;
	const w = Math.floor(63.5 * px);
	const h = Math.floor(33.9 * px);
	const left = Math.floor(((210 - 3 * 63.5) / 2) * px) + column * w;
	const top = Math.floor(((297 - 8 * 33.9) / 2) * px) + row * h;
	const cut = new PNG({ width: w, height: h });
	PNG.bitblt(sheet, cut, left, top, w, h, 0, 0);
	return jsQR(new Uint8ClampedArray(cut.data), w, h)?.data;
}

test('labels say what, how much and until when, and every code on the sheet opens its batch', async ({
	page,
	home,
	baseURL
}) => {
	void home;
	const reply = await page.request.get('/book/DEMO3/labels?count=24');
	expect(reply.headers()['content-type']).toBe('application/pdf');
	const { sheets, text } = render(await reply.body());
	expect(sheets).toHaveLength(1);
	expect(text).toContain('green beans, cut');
	expect(text).toContain('500 g');
	expect(text).toMatch(/packed \d+ \w{3} \d{4}/);
	expect(text).toMatch(/use first by \d+ \w{3} \d{4}/);
	expect(text).toContain('DEMO3');
	expect(text).toContain('Cook from frozen');
	for (let column = 0; column < 3; column++) {
		for (let row = 0; row < 8; row++) expect(decode(sheets[0] as PNG, column, row)).toBe(`${baseURL}/b/DEMO3`);
	}
	await page.goto(`${baseURL}/b/DEMO3`);
	await expect(page).toHaveURL(/\/book\/DEMO3/);
});

test('labels are there before the packs are, and lead to the run until it is closed', async ({ page, home }) => {
	void home;
	await startRun(page, 'runner beans');
	const run = new URL(page.url()).pathname;
	const { sheets, text } = render(await (await page.request.get(`${run}/labels?count=3&grams=450`)).body());
	expect(text).toContain('450 g');
	const code = decode(sheets[0] as PNG, 0, 0) ?? '';
	expect(code).toMatch(/\/b\/[2-9A-Z]{5}$/);
	await page.goto(code);
	await expect(page).toHaveURL(new RegExp(`${run}$`));
});
