import { randomInt } from 'node:crypto';
import { and, eq, inArray } from 'drizzle-orm';
import type { Tx } from '../../db/client';
import { batch, runOutput } from '../../db/schema';

/** Letters and digits that are not mistaken for one another on a label written in the cold. */
const letters = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
const newCode = () => Array.from({ length: 5 }, () => letters[randomInt(letters.length)]).join('');

/** Codes that neither a run nor an entry of the book has, each once. */
export async function freeCodes(tx: Tx, householdId: string, count: number): Promise<string[]> {
	for (;;) {
		const codes = [...new Set(Array.from({ length: count }, newCode))];
		if (codes.length < count) continue;
		const outputs = await tx
			.select({ code: runOutput.code })
			.from(runOutput)
			.where(and(eq(runOutput.householdId, householdId), inArray(runOutput.code, codes)));
		const batches = await tx
			.select({ code: batch.code })
			.from(batch)
			.where(and(eq(batch.householdId, householdId), inArray(batch.code, codes)));
		if (outputs.length + batches.length === 0) return codes;
	}
}
