import { CustomChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { init, use, type EChartsType } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';

use([CustomChart, GridComponent, SVGRenderer]);

/** One field of the map: a column from `x0` to `x1` (shares of the width), a row, a step of ink 0 … 4. */
export type HeatCell = {
	readonly x0: number;
	readonly x1: number;
	readonly row: number;
	readonly step: number;
	readonly position: number;
};

export type HeatChart = {
	readonly draw: (cells: readonly HeatCell[], rows: number, ink: readonly string[]) => void;
	readonly resize: () => void;
	readonly dispose: () => void;
};

/** Gaps between the fields in px. */
const [GAP_X, GAP_Y] = [2, 1.5];

/** A map of fields of unequal width, because frets narrow; a click says the position. */
export function heatChart(host: HTMLElement, onchoose: (position: number) => void): HeatChart {
	const chart: EChartsType = init(host, null, { renderer: 'svg' });
	chart.on('click', (event) => {
		const [, , , , position] = event.data as number[];
		onchoose(position);
	});
	return {
		draw(cells, rows, ink) {
			chart.setOption({
				animation: false,
				grid: { left: 0, right: 0, top: 0, bottom: 0 },
				xAxis: { type: 'value', min: 0, max: 1, show: false },
				yAxis: { type: 'value', min: 0, max: rows, inverse: true, show: false },
				series: [
					{
						type: 'custom',
						data: cells.map(({ x0, x1, row, step, position }) => [x0, x1, row, step, position]),
						renderItem: (
							_params: unknown,
							api: { value: (i: number) => unknown; coord: (v: number[]) => number[] }
						) => {
							const [x0, x1, row, step] = [0, 1, 2, 3].map((i) => Number(api.value(i)));
							const [left, top] = api.coord([x0, row]);
							const [right, bottom] = api.coord([x1, row + 1]);
							return {
								type: 'rect',
								shape: {
									x: left,
									y: top,
									width: Math.max(1, right - left - GAP_X),
									height: Math.max(1, bottom - top - GAP_Y)
								},
								style: { fill: ink[step] }
							};
						}
					}
				]
			});
		},
		resize: () => chart.resize(),
		dispose: () => chart.dispose()
	};
}
