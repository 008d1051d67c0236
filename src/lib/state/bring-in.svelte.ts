import type { Result } from '$core/kernel';
import type { Problem } from '$lib/api/chart-schema';
import type { RestoreAnswer } from '$lib/api/backup-schema';
import type { ImportAnswer } from '$lib/api/import-schema';
import { send } from './api';
import { serverWatch } from './server-watch.svelte';

/** A file on its way into the notebook. */
export type Incoming = {
	readonly id: number;
	readonly file: File;
	state: 'waiting' | 'reading' | 'ready' | 'refused' | 'keeping' | 'kept';
	/** What it holds, once it was read. */
	answer: ImportAnswer | null;
	/** Why it is refused. */
	message: string;
	/** Kept when the others are. */
	wanted: boolean;
};

/** What was kept, to open or to take back. */
export type Kept = Pick<ImportAnswer, 'tunes' | 'routes' | 'motifs'>;

const AUDIO = /\.(wav|mp3|ogg|oga|opus|flac|m4a|aac|webm)$/i;
const RECORDING =
	'A recording is judged on the Drill screen: open the tune, then “Judge a recording” there.';
const NO_ANSWER = 'The server does not answer; try again.';

/** Nothing else is packed so. */
const PACKED = /\.json\.gz$/i;

/** A whole notebook is told by how its file begins. */
const isBackup = async (file: File): Promise<boolean> =>
	PACKED.test(file.name) ||
	(/\.json$/i.test(file.name) && (await file.slice(0, 400).text()).includes('"arc-step/backup"'));

async function post(
	file: File,
	tuneId: string | null,
	query: string
): Promise<Result<ImportAnswer, string>> {
	const form = new FormData();
	form.append('file', file, file.name);
	if (tuneId) form.append('tuneId', tuneId);
	try {
		const response = await fetch(`/api/v1/import${query}`, { method: 'POST', body: form });
		const answer = (await response.json()) as ImportAnswer | Problem;
		if (response.ok) return { value: answer as ImportAnswer };
		const told = (answer as Problem).detail;
		// The name stands beside it already.
		return { error: told.startsWith(`${file.name}: `) ? told.slice(file.name.length + 2) : told };
	} catch {
		return { error: NO_ANSWER };
	}
}

/** Files that are brought in: read one after the other, shown, then kept or left. */
export class BringIn {
	shown = $state(false);
	list: Incoming[] = $state([]);
	/** A backup waits for the word how it is restored. */
	backup: File | null = $state(null);
	private nth = 0;
	private work: Promise<void> = Promise.resolve();
	/** The tune that lines without chords go onto. */
	private tuneId: string | null = null;

	readonly read = $derived(
		this.list.filter(({ state }) => state !== 'waiting' && state !== 'reading').length
	);
	readonly ready = $derived(this.list.filter(({ state, wanted }) => state === 'ready' && wanted));
	readonly busy = $derived(
		this.list.some(({ state }) => state === 'waiting' || state === 'reading' || state === 'keeping')
	);

	/** Takes files in, to be read and shown; a backup is asked about apart. */
	add(files: Iterable<File>, tuneId: string | null): Promise<void> {
		this.tuneId = tuneId;
		const fresh = [...files].map((file): Incoming => ({
			...{ id: this.nth++, file, answer: null, message: '', wanted: true },
			state: 'waiting'
		}));
		if (fresh.length === 0) return this.work;
		const ids = fresh.map(({ id }) => id);
		this.list.push(...fresh);
		this.work = this.work.then(async () => {
			for (const id of ids) await this.look(id);
			if (this.list.length > 0) this.shown = true;
		});
		if (!fresh.every(({ file }) => /\.json(\.gz)?$/i.test(file.name))) this.shown = true;
		return this.work;
	}

	private at(id: number): Incoming | undefined {
		return this.list.find((entry) => entry.id === id);
	}

	private async look(id: number): Promise<void> {
		const entry = this.at(id);
		if (!entry) return;
		entry.state = 'reading';
		if (await isBackup(entry.file)) {
			this.backup = entry.file;
			this.drop(id);
			return;
		}
		const answer = AUDIO.test(entry.file.name)
			? { error: RECORDING }
			: await post(entry.file, this.tuneId, '?preview=1');
		if ('error' in answer) {
			entry.message = answer.error;
			entry.state = 'refused';
		} else {
			entry.answer = answer.value;
			entry.state = 'ready';
		}
	}

	/** Leaves one file out. */
	drop(id: number): void {
		this.list = this.list.filter((entry) => entry.id !== id);
		if (this.list.length === 0) this.shown = false;
	}

	/** Leaves everything that was not kept. */
	close(): void {
		this.list = [];
		this.shown = false;
	}

	/** Keeps what is ready and wanted; what is refused now stays in the list. */
	async keep(): Promise<Kept> {
		const kept: Kept = { tunes: [], routes: [], motifs: [] };
		for (const { id } of this.ready) {
			const entry = this.at(id);
			if (!entry) continue;
			entry.state = 'keeping';
			const answer = await post(entry.file, this.tuneId, '');
			if ('error' in answer) {
				entry.message = answer.error;
				entry.state = 'refused';
				continue;
			}
			entry.state = 'kept';
			kept.tunes.push(...answer.value.tunes);
			kept.routes.push(...answer.value.routes);
			kept.motifs.push(...answer.value.motifs);
		}
		this.list = this.list.filter(({ state }) => state !== 'kept');
		if (this.list.length === 0) this.shown = false;
		return kept;
	}
}

/** Takes back what was kept. */
export async function takeBack({ tunes, routes, motifs }: Kept): Promise<void> {
	for (const [path, list] of [
		['routes', routes],
		['tunes', tunes],
		['motifs', motifs]
	] as const) {
		for (const { id } of list) if (id) await send('DELETE', `/api/v1/${path}/${id}`);
	}
}

/** Asks what a backup would do, or does it. @throws Error with the server's words */
export async function sendBackup(
	file: File,
	mode: 'merge' | 'replace',
	preview: boolean
): Promise<RestoreAnswer> {
	const response = await fetch(`/api/v1/restore?mode=${mode}${preview ? '&preview=1' : ''}`, {
		method: 'POST',
		headers: { 'content-type': PACKED.test(file.name) ? 'application/gzip' : 'application/json' },
		body: file
	}).catch(() => null);
	if (!response) serverWatch.lost();
	if (!response) throw new Error(NO_ANSWER);
	const answer = (await response.json()) as RestoreAnswer | Problem;
	if (!response.ok) throw new Error((answer as Problem).detail);
	return answer as RestoreAnswer;
}

/** The one that every screen drops files into. */
export const bringIn = new BringIn();
