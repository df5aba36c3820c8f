import { labelSheet, type Label } from './label-sheet';

/** The sheet as an answer to open and print. */
export async function labelResponse(label: Label, count: number, units: 'metric' | 'us'): Promise<Response> {
	const bytes = await labelSheet(
		Array.from({ length: count }, () => label),
		units === 'us' ? 'letter' : 'a4'
	);
	return new Response(bytes as Uint8Array<ArrayBuffer>, {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `inline; filename="labels-${label.code}.pdf"`,
			'cache-control': 'no-store'
		}
	});
}
