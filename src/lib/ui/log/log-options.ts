import { proseSigns } from '$core/chord';
import { CHORD_KIND_WORDS, CHORD_KINDS, type ChordKind } from '$core/practice';
import type { Log, Week } from '$lib/api/log-page';
import { dateWords } from '$lib/words/when';
import type { LogOption } from './log-charts';

/** The inks of a theme, read from the page. */
export type Inks = {
	readonly ink: string;
	readonly second: string;
	readonly hair: string;
	readonly strong: string;
	readonly paper: string;
	readonly density: readonly string[];
	readonly onDensity: readonly string[];
	readonly font: string;
};

export const weekName = ({ begins }: Week): string => dateWords(begins);
const percent = (share: number | null): number | null =>
	share === null ? null : Math.round(100 * share);

const words = (inks: Inks, size = 12) => ({
	color: inks.second,
	fontFamily: inks.font,
	fontSize: size
});
const axis = (inks: Inks) => ({
	axisLine: { lineStyle: { color: inks.strong } },
	axisTick: { show: false },
	axisLabel: words(inks),
	splitLine: { lineStyle: { color: inks.hair } }
});

const LINES = [
	{ symbol: 'circle', type: 'solid', width: 3, size: 9 },
	{ symbol: 'rect', type: 'solid', width: 1.6, size: 7 },
	{ symbol: 'emptyCircle', type: 'dashed', width: 1.6, size: 7 }
] as const;

/** Landing rate by week: all takes, the weakest key and place; a gap where nothing was played. */
export function landingOption({ weeks, series }: Log, inks: Inks): LogOption {
	return {
		aria: { enabled: false },
		grid: { left: 30, right: 104, top: 12, bottom: 24 },
		xAxis: { type: 'category', data: weeks.map(weekName), ...axis(inks), boundaryGap: false },
		yAxis: {
			type: 'value',
			min: 0,
			max: 100,
			interval: 25,
			...axis(inks),
			axisLine: { show: false }
		},
		series: series.map(({ name, shares }, i) => {
			const look = LINES[Math.min(i, LINES.length - 1)];
			const last = shares.findLast((share) => share !== null) ?? null;
			return {
				type: 'line',
				data: shares.map(percent),
				symbol: look.symbol,
				symbolSize: look.size,
				lineStyle: { color: i === 0 ? inks.ink : inks.second, width: look.width, type: look.type },
				itemStyle: { color: i === 0 ? inks.ink : inks.second },
				endLabel: {
					show: true,
					formatter: `${proseSigns(name)}${i === 0 ? '\n' : ', '}${percent(last) ?? '–'}${i === 0 ? ' %' : ''}`,
					...words(inks),
					lineHeight: 15,
					color: inks.ink,
					fontWeight: i === 0 ? 'bold' : 'normal',
					distance: 8
				},
				labelLayout: { moveOverlap: 'shiftY' },
				connectNulls: false
			};
		})
	};
}

/** Steps of ink for a share: under 40, 55, 70, 82 in a hundred, and over. */
const shareStep = (share: number): number =>
	[0.4, 0.55, 0.7, 0.82].filter((least) => share >= least).length;

export type HeatField = {
	readonly position: number;
	readonly kind: ChordKind;
	readonly share: number;
};

/** The share that lands by place and kind of chord; kinds that never came are left out. */
export function heatFields({ heat }: Log): {
	fields: HeatField[];
	places: number[];
	kinds: ChordKind[];
} {
	const fields = heat.map(({ position, kind, asked, landed }) => ({
		position,
		kind,
		share: landed / asked
	}));
	const most = Math.max(12, ...fields.map(({ position }) => position));
	return {
		fields,
		places: Array.from({ length: most }, (_, i) => i + 1),
		kinds: CHORD_KINDS.filter((kind) => fields.some((field) => field.kind === kind))
	};
}

export const kindName = (kind: ChordKind): string =>
	CHORD_KIND_WORDS[kind].replace(/b(?=\d)/g, '♭');

export function heatOption(log: Log, inks: Inks): LogOption {
	const { fields, places, kinds } = heatFields(log);
	return {
		aria: { enabled: false },
		grid: { left: 84, right: 4, top: 22, bottom: 4 },
		xAxis: {
			type: 'category',
			data: places.map(String),
			position: 'top',
			...axis(inks),
			axisLine: { show: false },
			splitLine: { show: false }
		},
		yAxis: {
			type: 'category',
			data: [...kinds].reverse().map(kindName),
			...axis(inks),
			axisLine: { show: false },
			splitLine: { show: false }
		},
		series: [
			{
				type: 'heatmap',
				data: fields.map(({ position, kind, share }) => ({
					value: [position - 1, kinds.length - 1 - kinds.indexOf(kind), Math.round(100 * share)],
					itemStyle: {
						color: inks.density[shareStep(share)],
						borderColor: inks.paper,
						borderWidth: 1.5
					},
					label: { color: inks.onDensity[shareStep(share)] }
				})),
				label: { show: true, fontFamily: inks.font, fontSize: 12, fontWeight: 'bold' }
			}
		]
	};
}

/** Minutes of playing by week; this week is darker. */
export function minutesOption({ weeks }: Log, inks: Inks): LogOption {
	return {
		aria: { enabled: false },
		grid: { left: 4, right: 4, top: 24, bottom: 24 },
		xAxis: { type: 'category', data: weeks.map(weekName), ...axis(inks) },
		yAxis: { type: 'value', show: false },
		series: [
			{
				type: 'bar',
				barMaxWidth: 44,
				data: weeks.map(({ minutes }, i) => ({
					value: Math.round(minutes),
					itemStyle: { color: inks.density[i === weeks.length - 1 ? 4 : 3] }
				})),
				label: {
					show: true,
					position: 'top',
					color: inks.ink,
					fontFamily: inks.font,
					fontWeight: 'bold',
					fontSize: 13
				}
			}
		]
	};
}

/** The fastest clean tempo of each tune, and a post where it is aimed at. */
export function tempoOption({ tempos }: Log, inks: Inks): LogOption {
	const shown = [...tempos].reverse();
	const most = Math.max(60, ...tempos.map(({ aim, clean }) => Math.max(aim, clean ?? 0)));
	return {
		aria: { enabled: false },
		grid: { left: 118, right: 34, top: 4, bottom: 4 },
		xAxis: { type: 'value', max: most, show: false },
		yAxis: {
			type: 'category',
			data: shown.map(({ title }) => title),
			...axis(inks),
			axisLine: { show: false },
			axisLabel: { ...words(inks), color: inks.ink, width: 110, overflow: 'truncate' }
		},
		series: [
			{
				type: 'bar',
				barWidth: 13,
				data: shown.map(({ clean, aim }) => ({
					value: clean ?? 0,
					itemStyle: { color: inks.density[clean !== null && clean >= aim ? 4 : 3] },
					label: {
						show: clean !== null,
						color: inks.onDensity[clean !== null && clean >= aim ? 4 : 3]
					}
				})),
				label: { position: 'insideRight', fontFamily: inks.font, fontSize: 12, fontWeight: 'bold' }
			},
			{
				type: 'bar',
				barWidth: 13,
				barGap: '-100%',
				z: 1,
				data: shown.map(({ aim }) => aim),
				itemStyle: {
					color: 'transparent',
					borderColor: inks.strong,
					borderType: 'dotted',
					borderWidth: 1
				},
				label: {
					show: true,
					position: 'right',
					color: inks.second,
					fontFamily: inks.font,
					fontSize: 12
				}
			}
		]
	};
}
