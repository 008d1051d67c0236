import {
	BarChart,
	HeatmapChart,
	LineChart,
	type BarSeriesOption,
	type HeatmapSeriesOption,
	type LineSeriesOption
} from 'echarts/charts';
import {
	AriaComponent,
	GridComponent,
	VisualMapComponent,
	type GridComponentOption,
	type VisualMapComponentOption
} from 'echarts/components';
import { init, use, type ComposeOption } from 'echarts/core';
import { LabelLayout } from 'echarts/features';
import { SVGRenderer } from 'echarts/renderers';

use([
	LineChart,
	BarChart,
	HeatmapChart,
	GridComponent,
	AriaComponent,
	VisualMapComponent,
	LabelLayout,
	SVGRenderer
]);

export type LogOption = ComposeOption<
	| LineSeriesOption
	| BarSeriesOption
	| HeatmapSeriesOption
	| GridComponentOption
	| VisualMapComponentOption
>;

export type LogChart = {
	readonly draw: (option: LogOption) => void;
	readonly resize: () => void;
	readonly dispose: () => void;
};

/** A chart in ink on paper. A table beside it says the same. */
export function logChart(host: HTMLElement): LogChart {
	const chart = init(host, null, { renderer: 'svg' });
	return {
		draw: (option) => chart.setOption({ animation: false, ...option }, true),
		resize: () => chart.resize(),
		dispose: () => chart.dispose()
	};
}
