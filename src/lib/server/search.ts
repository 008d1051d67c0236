import { findProgression, parseChart, parseKey, readProgression } from '$core/chart';
import { proseSigns, signs } from '$core/chord';
import { keyOf } from '$core/harmony';
import { and, asc, eq, isNull, ne } from 'drizzle-orm';
import type { Match, SearchAnswer } from '../api/search-schema';
import type { Database } from './database';
import { route, setItem, setList, take, tune } from './schema';

/** Letters alike for searching: small, without accents, typographic accidentals as ASCII. */
const fold = (text: string): string =>
	text
		.replaceAll('♭', 'b')
		.replaceAll('♯', '#')
		.normalize('NFD')
		.replace(/\p{M}/gu, '')
		.toLowerCase();
const wordsOf = (query: string): string[] => fold(query).split(/\s+/).filter(Boolean);
const holds = (text: string, words: readonly string[]): boolean => {
	const folded = fold(text);
	return words.every((word) => folded.includes(word));
};

/** Words that somebody wrote about a tune, and where they stand. */
type Written = { readonly place: string; readonly text: string };

/** What the chart text says beside its chords: sections and comments. */
function writtenInChart(chart: string): Written[] {
	return chart.split('\n').flatMap((line) => {
		const comment = /\/\/(.*)$/.exec(line)?.[1].trim();
		const section = /^\s*\[([^\]]+)\]/.exec(line)?.[1];
		return [
			...(section ? [{ place: 'section', text: section }] : []),
			...(comment ? [{ place: 'in the chart', text: comment }] : [])
		];
	});
}

/** Whether a query names a key: its tonic alone, or with the mode. */
function namesKey(query: string, key: string): boolean {
	const [wanted, has] = [fold(query).trim(), fold(key)];
	return wanted !== '' && (wanted === has || (has.startsWith(`${wanted} `) && !/\s/.test(wanted)));
}

/** Where one tune answers a query: by its title, its key, a progression in it, words about it. */
export function matchesOf(
	query: string,
	one: { readonly title: string; readonly key: string; readonly chart: string },
	written: readonly Written[]
): Match[] {
	const words = wordsOf(query);
	if (words.length === 0) return [];
	const found: Match[] = [];
	if (holds(one.title, words)) found.push({ in: 'title', text: one.title });
	if (namesKey(query, one.key)) found.push({ in: 'key', text: signs(one.key) });
	const asChords = readProgression(
		query,
		parseKey(one.key) ?? { tonic: { letter: 0, alter: 0 }, mode: 'major' }
	);
	if (asChords) {
		const chart = parseChart(one.chart);
		const wanted = readProgression(query, keyOf(chart));
		const hit = wanted && findProgression(chart, wanted);
		if (hit) {
			found.push({ in: 'chords', text: `bar ${hit.bar}: ${hit.symbols.map(signs).join(' ')}` });
		}
	}
	const said = written.find(({ text }) => holds(text, words));
	if (said) found.push({ in: 'words', text: `${said.place}: ${proseSigns(said.text)}` });
	return found;
}

/** Finds tunes by title, key, chords one after the other, and what was written about them. */
export async function search(db: Database, query: string): Promise<SearchAnswer> {
	const alive = isNull(tune.deletedAt);
	const tunes = await db
		.select({ id: tune.id, title: tune.title, key: tune.key, chart: tune.chart })
		.from(tune)
		.where(alive)
		.orderBy(asc(tune.createdAt), asc(tune.id));
	const written = new Map<string, Written[]>();
	const add = (place: string, rows: readonly { tuneId: string; text: string }[]) => {
		for (const { tuneId, text } of rows) {
			const list = written.get(tuneId) ?? [];
			list.push({ place, text });
			written.set(tuneId, list);
		}
	};
	add('route', await db.select({ tuneId: route.tuneId, text: route.name }).from(route));
	add(
		'note on a take',
		await db.select({ tuneId: take.tuneId, text: take.note }).from(take).where(ne(take.note, ''))
	);
	const sets = await db
		.select({ tuneId: setItem.tuneId, name: setList.name, note: setList.note })
		.from(setItem)
		.innerJoin(setList, eq(setList.id, setItem.setId))
		.innerJoin(tune, and(eq(tune.id, setItem.tuneId), alive));
	add(
		'set',
		sets.map(({ tuneId, name, note }) => ({ tuneId, text: note ? `${name}, ${note}` : name }))
	);
	return {
		found: tunes.flatMap((one) => {
			const about = [...writtenInChart(one.chart), ...(written.get(one.id) ?? [])];
			const matches = matchesOf(query, one, about);
			return matches.length > 0 ? [{ id: one.id, title: one.title, matches }] : [];
		})
	};
}
