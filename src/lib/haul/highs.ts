import type { Highs, ModelData } from 'highs';
import type { Outcome, Programme, Session, Solver } from '$core/haul/solver';

/**
 * HiGHS behind the core's solver. A call blocks its thread: in the browser and on the server it stands in a worker.
 *
 * @param highs as its loader gives it
 */
export const highsSolver = (highs: Highs): Solver => ({ open: (programme) => sessionOf(highs, programme) });

function modelOf(highs: Highs, { columns, rows }: Programme): ModelData {
	const finite = (n: number) => (Math.abs(n) === Infinity ? Math.sign(n) * highs.infinity : n);
	const starts = [0];
	for (const { terms } of rows) starts.push((starts.at(-1) ?? 0) + terms.length);
	const { continuous, integer } = highs.constants.variableType;
	return {
		numCols: columns.length,
		numRows: rows.length,
		sense: highs.constants.objectiveSense.maximize,
		colCost: Float64Array.from(columns, (c) => c.worth),
		colLower: Float64Array.from(columns, (c) => finite(c.lower)),
		colUpper: Float64Array.from(columns, (c) => finite(c.upper)),
		rowLower: Float64Array.from(rows, (r) => finite(r.lower)),
		rowUpper: Float64Array.from(rows, (r) => finite(r.upper)),
		matrix: {
			format: 'csr',
			numCols: columns.length,
			numRows: rows.length,
			starts: Int32Array.from(starts),
			indices: Int32Array.from(rows.flatMap((r) => r.terms.map(([column]) => column))),
			values: Float64Array.from(rows.flatMap((r) => r.terms.map(([, factor]) => factor)))
		},
		integrality: columns.map((c) => (c.whole ? integer : continuous))
	};
}

function sessionOf(highs: Highs, programme: Programme): Session {
	const model = highs.createModel(modelOf(highs, programme));
	const { modelStatus: status, callbackType } = highs.constants;
	model.options.set({ output_flag: false });
	const finite = (n: number) => (Math.abs(n) === Infinity ? Math.sign(n) * highs.infinity : n);
	const over = (code: number): Outcome =>
		code === status.infeasible || code === status.unboundedOrInfeasible ? { kind: 'infeasible' } : { kind: 'stopped' };
	return {
		bounds: (column, lower, upper) => void model.changeColBounds(column, finite(lower), finite(upper)),
		relax() {
			model.options.set({ solve_relaxation: true, time_limit: 60 });
			model.zeroAllClocks();
			const { modelStatus } = model.run();
			if (modelStatus !== status.optimal) return over(modelStatus);
			const worth = model.getObjectiveValue();
			return { kind: 'solved', values: model.getSolution().colValue, worth, bound: worth, proven: true };
		},
		solve({ seconds, gap, start, onBetter, stopped }) {
			model.options.set({
				solve_relaxation: false,
				time_limit: seconds,
				mip_rel_gap: gap,
				mip_heuristic_effort: 0.2
			});
			model.zeroAllClocks();
			if (start) model.setSolution({ colValue: start });
			let bound = Infinity;
			const { modelStatus } = model.run({
				[callbackType.mipImprovingSolution]({ data }) {
					bound = Math.min(bound, data.mip_dual_bound ?? Infinity);
					if (data.mip_solution && onBetter)
						onBetter({
							kind: 'solved',
							values: data.mip_solution,
							worth: data.objective_function_value ?? 0,
							bound,
							proven: false
						});
				},
				[callbackType.mipInterrupt](event) {
					bound = Math.min(bound, event.data.mip_dual_bound ?? Infinity);
					if (stopped?.()) event.interrupt();
				}
			});
			const values = model.getSolution().colValue;
			const has = model.info.get('primal_solution_status') === 2;
			if (!has || values.length === 0) return over(modelStatus);
			const worth = model.getObjectiveValue();
			const last = Number(model.info.get('mip_dual_bound'));
			if (Number.isFinite(last)) bound = Math.min(bound, last);
			const optimal = modelStatus === status.optimal;
			return {
				kind: 'solved',
				values,
				worth,
				bound: Math.max(worth, bound),
				proven: optimal && bound - worth <= 1e-6 * Math.max(1, Math.abs(worth))
			};
		},
		close: () => model.dispose()
	};
}
