import type postgres from 'postgres';

/** Everything that a household holds, as one fingerprint: nothing written means that it is the same. */
export async function fingerprint(sql: postgres.Sql, household: string): Promise<string> {
	const tables =
		await sql`select table_name as t from information_schema.columns where table_schema = 'public' and column_name = 'household_id' order by 1`;
	const parts = await Promise.all(
		tables.map(
			async ({ t }) =>
				(
					await sql`select coalesce(md5(string_agg(x::text, '|' order by x::text)), '') as h from ${sql(t as string)} x where household_id = ${household}`
				)[0]?.h as string
		)
	);
	const [h] = await sql`select md5(x::text) as h from household x where id = ${household}`;
	return [...parts, h?.h].join(' ');
}
