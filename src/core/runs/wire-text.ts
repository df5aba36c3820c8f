/**
 * JSON as it is carried inside a page's data, where every quotation mark of a text has to be escaped one by one: they are
 * another sign meanwhile. A run of hundreds of taps has thousands of them.
 */
const mark = '¬';

export const toWireText = (json: string): string => json.replaceAll(mark, '\\u00ac').replaceAll('"', mark);

let last: { readonly text: string; readonly value: unknown } | undefined;

/**
 * The same text read again is the same value: a server tells the same runs to many. Nobody changes what comes of it.
 *
 * @throws {SyntaxError} it was not made by `toWireText`
 */
export function fromWireText<T>(text: string): T {
	if (last?.text !== text) last = { text, value: JSON.parse(text.replaceAll(mark, '"')) as unknown };
	return last.value as T;
}
