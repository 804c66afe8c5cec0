import { z } from 'zod';
import { Revision } from '$core/profile/edit.ts';
import { checked } from '$lib/server/problem';
import { route } from '$lib/server/route';

const Day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'expected a day such as 2026-11-30');
const Asked = z.strictObject({
	words: z.string().max(200).optional(),
	by: z.string().max(60).optional(),
	stratum: z.string().max(60).optional(),
	from: Day.optional(),
	to: Day.optional(),
	before: z.coerce.number().pipe(Revision).optional(),
	most: z.coerce.number().int().min(1).max(200).default(50),
	as: z.literal('csv').optional()
});

/** The newest edits, searched also inside of edits of many changes, in parts: `?words=Ctrl+E&before=120`; `?as=csv` is all of them as a table. */
export const GET = route('read', async ({ params, url }, { history, people }) => {
	const { as, before, most, ...wanted } = checked(Asked, Object.fromEntries(url.searchParams));
	if (as === undefined) return history.page(params.app!, wanted, most, before);
	const names = new Map((await people.list()).map(({ id, name }) => [id, name]));
	const lines = history.csv(params.app!, wanted, (id) => names.get(id) ?? id);
	// what is wrong is told before the first byte
	const first = await lines.next();
	const encoder = new TextEncoder();
	const body = new ReadableStream<Uint8Array>({
		start: (out) => out.enqueue(encoder.encode(first.value as string)),
		async pull(out) {
			const { done, value } = await lines.next();
			if (done) out.close();
			else out.enqueue(encoder.encode(value));
		},
		cancel: () => void lines.return(undefined)
	});
	return new Response(body, {
		headers: {
			'content-type': 'text/csv; charset=utf-8',
			'content-disposition': `attachment; filename="${params.app!}-history.csv"`,
			'cache-control': 'no-store'
		}
	});
});
