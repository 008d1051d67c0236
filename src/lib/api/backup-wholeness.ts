import { LIMITS, utf8Length } from '$core/chart';
import type { BackupRow } from './backup-schema';
import type { Issue } from './chart-schema';
import type { RestoreKind } from './restore-kinds';

/**
 * Sees that the rows of a backup belong together, one after the other as they are read: nothing names another that
 * is not there, no id and no place of a card is there twice, no chart is too large.
 */
export class Wholeness {
	private readonly ids = new Map<RestoreKind, Set<string>>();
	private readonly places = new Set<string>();
	private readonly needed: { at: string; id: string; kind: 'tunes' | 'cards' }[] = [];

	constructor(private readonly say: (issue: Issue) => void) {}

	private needs(at: string, id: string, kind: 'tunes' | 'cards'): void {
		if (!this.ids.get(kind)?.has(id)) this.needed.push({ at, id, kind });
	}

	/** @param at where the row stands: its kind and number */
	add(kind: RestoreKind, row: BackupRow[RestoreKind], at: string): void {
		const ids = this.ids.get(kind) ?? new Set();
		this.ids.set(kind, ids);
		if (ids.has(row.id)) this.say({ path: `${at}.id`, message: 'This id is there twice.' });
		ids.add(row.id);
		if ('tuneId' in row) this.needs(`${at}.tuneId`, row.tuneId, 'tunes');
		if (kind === 'tunes') {
			const { chart } = row as BackupRow['tunes'];
			if (utf8Length(chart) > LIMITS.bytes)
				this.say({ path: `${at}.chart`, message: 'A chart has at most 64 KiB.' });
		} else if (kind === 'sets') {
			const { tunes } = row as BackupRow['sets'];
			tunes.forEach((id, k) => this.needs(`${at}.tunes.${k}`, id, 'tunes'));
		} else if (kind === 'cards') {
			const { tuneId, position, key } = row as BackupRow['cards'];
			const place = `${tuneId} ${position} ${key}`;
			if (this.places.has(place)) {
				this.say({ path: at, message: 'Two cards have the same tune, position and key.' });
			}
			this.places.add(place);
		} else if (kind === 'takes') {
			const { cardId, landed, asked, changes } = row as BackupRow['takes'];
			this.needs(`${at}.cardId`, cardId, 'cards');
			if (landed > asked)
				this.say({ path: `${at}.landed`, message: 'More landed than were asked for.' });
			const keys = new Set(changes.map(({ loop, change }) => `${loop} ${change}`));
			if (keys.size < changes.length)
				this.say({ path: `${at}.changes`, message: 'A change is there twice.' });
		}
	}

	/** Says what is still missing when everything was read. */
	finish(): void {
		for (const { at, id, kind } of this.needed) {
			if (this.ids.get(kind)?.has(id)) continue;
			const what = kind === 'tunes' ? 'tune' : 'card';
			this.say({ path: at, message: `There is no such ${what} in the backup.` });
		}
	}
}
