/** Ticks of a quarter note. */
export const QUARTER = 480;

/** Tempos that a chart, a drill and the band take, in quarter notes a minute. */
export const TEMPO = { least: 30, most: 300 } as const;

const MINUTE_MS = 60_000;

/** How long a tick lasts at a tempo, in ms. */
export const msPerTick = (tempo: number): number => MINUTE_MS / (tempo * QUARTER);

/** How long so many ticks last at a tempo, in ms. */
export const msOfTicks = (ticks: number, tempo: number): number => ticks * msPerTick(tempo);

/** A tempo that may be outside of the bounds, brought inside. */
export const tempoWithin = (tempo: number): number =>
	Math.min(TEMPO.most, Math.max(TEMPO.least, tempo));
