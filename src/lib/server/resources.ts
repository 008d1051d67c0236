import type { RouteInput } from '../api/route-schema';
import type { z } from 'zod';
import {
	instrumentUpdate,
	motifRecord,
	motifUpdate,
	playerUpdate,
	routeUpdate,
	setInput,
	setUpdate,
	tuneInput,
	tuneUpdate,
	type InstrumentAnswer,
	type MotifAnswer,
	type MotifRecord,
	type PlanSnapshot,
	type PlayerAnswer,
	type PlayerInput,
	type RouteAnswer,
	type SetAnswer,
	type SetInput,
	type TuneAnswer
} from '../api/notebook-schema';
import { instrumentRecord, type InstrumentRecord } from '../api/own-schema';
import type { Issue } from '../api/chart-schema';
import { motifIssues } from '../api/phrase';
import { takeUpdate, type TakeAnswer, type TakeSummaryAnswer } from '../api/practice-schema';
import type { Outcome } from '../api/resolve';
import type { TuneReading } from '../api/tune-reading';
import * as instruments from './instruments';
import * as motifs from './motifs';
import { inPool } from './pool';
import type { Collection, ListedResource, Resource } from './resource';
import * as routes from './routes';
import * as sets from './sets';
import * as takes from './takes';
import { bringBack, throwAway, type Trashable } from './trash';
import * as tunes from './tunes';

/** A value that keeps its rules, or the rules that it breaks. */
const kept = <T>(value: T, issues: readonly Issue[]): Outcome<T> =>
	issues.length > 0 ? { error: issues } : { value };

/** How most kinds are thrown away and brought back. */
const inTrash = (
	kind: Trashable
): Pick<ListedResource<never, never, never>, 'remove' | 'bringBack'> => ({
	remove: (db, id) => throwAway(db, kind, id),
	bringBack: (db, id) => bringBack(db, kind, id)
});

type Chart = z.infer<typeof tuneInput>;

export const TUNE: ListedResource<Chart, TuneReading, TuneAnswer> &
	Collection<Chart, TuneReading, TuneAnswer> = {
	kind: 'tune',
	path: '/api/v1/tunes',
	input: tuneInput,
	update: tuneUpdate,
	list: async (db) => ({ tunes: (await tunes.listTunes(db)).map(tunes.summaryOf) }),
	get: tunes.getTune,
	ready: async (_, { chart }) => {
		const issues = tunes.checkChartSize(chart);
		return issues.length > 0 ? { error: issues } : { value: await inPool.readTune(chart) };
	},
	create: tunes.createTune,
	save: tunes.updateTune,
	remove: tunes.deleteTune,
	bringBack: async (db, id) => (await tunes.restoreTune(db, id)) !== null
};

/** A route as it is stored: its wishes, its plan, and the version of the tune that it was planned on. */
type PlannedRoute = {
	readonly input: RouteInput;
	readonly plan: PlanSnapshot;
	readonly tuneVersion: number;
};

/** Plans a route on a tune as it is kept. */
export async function plannedOn(
	db: Parameters<typeof routes.getRoute>[0],
	tune: { readonly chart: string; readonly version: number },
	input: RouteInput
): Promise<Outcome<PlannedRoute>> {
	const [own, hand] = [await instruments.listInstruments(db), await instruments.handOf(db)];
	const made = await inPool.snapshot({ chart: tune.chart, input, own, hand });
	if ('error' in made) return made;
	return { value: { input, plan: made.value, tuneVersion: tune.version } };
}

export const ROUTE: ListedResource<RouteInput, PlannedRoute, RouteAnswer> = {
	kind: 'route',
	update: routeUpdate,
	get: async (db, id) => (await routes.getRoute(db, id))?.route ?? null,
	ready: async (db, input, id) => {
		const found = await routes.getRoute(db, id);
		const gone = [{ path: '', message: 'The tune of this route is gone.' }];
		if (!found) return { error: gone };
		return plannedOn(db, { chart: found.chart, version: found.tuneVersion }, input);
	},
	save: (db, id, { input, plan, tuneVersion }, version) =>
		routes.updateRoute(db, id, input, plan, tuneVersion, version),
	...inTrash('route')
};

export const MOTIF: ListedResource<MotifRecord, MotifRecord, MotifAnswer> &
	Collection<MotifRecord, MotifRecord, MotifAnswer> = {
	kind: 'motif',
	path: '/api/v1/motifs',
	input: motifRecord,
	update: motifUpdate,
	list: async (db) => ({ motifs: await motifs.listMotifs(db) }),
	get: motifs.getMotif,
	ready: async (_, record) => kept(record, motifIssues(record.motif)),
	create: motifs.createMotif,
	save: motifs.updateMotif,
	...inTrash('motif')
};

export const SET: ListedResource<SetInput, SetInput, SetAnswer> &
	Collection<SetInput, SetInput, SetAnswer> = {
	kind: 'set',
	path: '/api/v1/sets',
	input: setInput,
	update: setUpdate,
	list: async (db) => ({ sets: await sets.listSets(db) }),
	get: sets.getSet,
	ready: async (db, input) => kept(input, await sets.checkSet(db, input)),
	create: sets.createSet,
	save: sets.updateSet,
	...inTrash('set')
};

export const INSTRUMENT: ListedResource<InstrumentRecord, InstrumentRecord, InstrumentAnswer> &
	Collection<InstrumentRecord, InstrumentRecord, InstrumentAnswer> = {
	kind: 'instrument',
	path: '/api/v1/instruments',
	input: instrumentRecord,
	update: instrumentUpdate,
	list: async (db) => ({ instruments: await instruments.listInstruments(db) }),
	get: instruments.getInstrument,
	ready: async (_, record) => kept(record, instruments.checkInstrument(record)),
	create: instruments.createInstrument,
	save: instruments.updateInstrument,
	...inTrash('instrument')
};

type Note = Omit<z.infer<typeof takeUpdate>, 'version'>;

export const TAKE: ListedResource<Note, string, TakeAnswer | TakeSummaryAnswer> = {
	kind: 'take',
	update: takeUpdate,
	get: async (db, id) => (await takes.getTakes(db, [id]))[0] ?? null,
	ready: async (_, { note }) => ({ value: note }),
	save: takes.updateTake,
	...inTrash('take')
};

/** The player: one of a kind, there from the start. */
export const PLAYER: Resource<PlayerInput, PlayerInput, PlayerAnswer> = {
	kind: 'player',
	update: playerUpdate,
	get: instruments.getPlayer,
	ready: async (_, input) => ({ value: input }),
	save: (db, _, input, version) => instruments.updatePlayer(db, input, version)
};
