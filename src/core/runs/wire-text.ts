/**
 * JSON as it is carried inside a page's data, where every quotation mark of a text has to be escaped one by one: they are
 * another sign meanwhile. A run of hundreds of taps has thousands of them.
 */
const mark = '¬';

export const toWireText = (json: string): string => json.replaceAll(mark, '\\u00ac').replaceAll('"', mark);

/** @throws {SyntaxError} it was not made by `toWireText` */
export const fromWireText = <T>(text: string): T => JSON.parse(text.replaceAll(mark, '"')) as T;
