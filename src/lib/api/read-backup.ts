import type { z } from 'zod';
import { utf8Length, LIMITS } from '$core/chart';
import type { Issue } from './chart-schema';
import { backupDocument, type BackupDocument } from './backup-schema';
import { FORMAT_VERSION, migrate } from './document-schema';

const isObject = (value: unknown): value is Record<string, unknown> =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

const MOST_ISSUES = 20;

const toIssue = ({ path, message }: z.core.$ZodIssue): Issue => ({ path: path.join('.'), message });

/** Things that name others which the backup does not hold, ids that are there twice, charts that are too large. */
function wholeness(backup: BackupDocument): Issue[] {
	const issues: Issue[] = [];
	const say = (path: string, message: string) => {
		if (issues.length < MOST_ISSUES) issues.push({ path, message });
	};
	const idsOf = (
		kind: 'tunes' | 'routes' | 'motifs' | 'sets' | 'instruments' | 'cards' | 'takes'
	) => {
		const ids = new Set<string>();
		backup[kind].forEach(({ id }, i) => {
			if (ids.has(id)) say(`${kind}.${i}.id`, 'This id is there twice.');
			ids.add(id);
		});
		return ids;
	};
	const tunes = idsOf('tunes');
	const cards = idsOf('cards');
	for (const kind of ['routes', 'motifs', 'sets', 'instruments', 'takes'] as const) idsOf(kind);
	const needs = (path: string, id: string, ids: ReadonlySet<string>, what: string) => {
		if (!ids.has(id)) say(path, `There is no such ${what} in the backup.`);
	};
	backup.tunes.forEach(({ chart }, i) => {
		if (utf8Length(chart) > LIMITS.bytes) say(`tunes.${i}.chart`, 'A chart has at most 64 KiB.');
	});
	backup.routes.forEach(({ tuneId }, i) => needs(`routes.${i}.tuneId`, tuneId, tunes, 'tune'));
	backup.sets.forEach((set, i) =>
		set.tunes.forEach((id, k) => needs(`sets.${i}.tunes.${k}`, id, tunes, 'tune'))
	);
	const places = new Set<string>();
	backup.cards.forEach(({ tuneId, position, key }, i) => {
		needs(`cards.${i}.tuneId`, tuneId, tunes, 'tune');
		const place = `${tuneId} ${position} ${key}`;
		if (places.has(place)) say(`cards.${i}`, 'Two cards have the same tune, position and key.');
		places.add(place);
	});
	backup.takes.forEach(({ tuneId, cardId, landed, asked, changes }, i) => {
		needs(`takes.${i}.tuneId`, tuneId, tunes, 'tune');
		needs(`takes.${i}.cardId`, cardId, cards, 'card');
		if (landed > asked) say(`takes.${i}.landed`, 'More landed than were asked for.');
		const keys = new Set(changes.map(({ loop, change }) => `${loop} ${change}`));
		if (keys.size < changes.length) say(`takes.${i}.changes`, 'A change is there twice.');
	});
	return issues;
}

/** Reads a backup from the bytes of its file, or says what is wrong with it. */
export function readBackup(
	bytes: Uint8Array
): { readonly backup: BackupDocument } | { readonly issues: Issue[]; readonly json: boolean } {
	let value: unknown;
	try {
		value = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
	} catch {
		return { json: false, issues: [{ path: '', message: 'The body is not JSON.' }] };
	}
	const fail = (issues: Issue[]) => ({ json: true, issues });
	if (!isObject(value)) return fail([{ path: '', message: 'The file is no backup.' }]);
	const written = value.formatVersion;
	if (typeof written === 'number' && written > FORMAT_VERSION) {
		const message = 'The backup was written by a newer Arc Step; bring this one up to date first.';
		return fail([{ path: 'formatVersion', message }]);
	}
	const parsed = backupDocument.safeParse(migrate(value));
	if (!parsed.success) return fail(parsed.error.issues.slice(0, MOST_ISSUES).map(toIssue));
	const issues = wholeness(parsed.data);
	return issues.length > 0 ? fail(issues) : { backup: parsed.data };
}
