import highs from 'highs';
import wasmUrl from 'highs/runtime?url';
import type { Solve } from '$core/suggest/solve';

/** HiGHS in this worker; it stops after so many seconds with the best that it has found. */
export async function solver(seconds = 20): Promise<Solve> {
	const engine = await highs({ locateFile: () => wasmUrl });
	return (model) => {
		const { Status, Columns } = engine.solve(model, { time_limit: seconds });
		const values = Object.entries(Columns).map(([name, column]) => [name, 'Primal' in column ? column.Primal : 0] as const);
		return { status: Status, values: Object.fromEntries(values) };
	};
}
