import { fetched } from '$lib/state/fetched';
import type { PlayedEvent } from '$core/practice';

/** Listens to a recording of a take beside the page; says how far it is, and can be given up. */
export class RecordingJudge {
	/** The share that is done, 0 … 1; null while nothing is listened to. */
	share: number | null = $state(null);
	private cancelJob: () => void = () => {};

	/**
	 * @param judged takes the notes that were found, ms from the start of the recording
	 * @returns what went wrong in a sentence; null where nothing did, or it was given up
	 */
	async hear(file: File, judged: (events: readonly PlayedEvent[]) => void): Promise<string | null> {
		const { readRecording, RecordingTrouble } = await fetched(() => import('$lib/input/recording'));
		this.cancelJob();
		const job = readRecording(file, (share) => (this.share = share));
		this.share = 0;
		this.cancelJob = job.cancel;
		try {
			const events = await job.done;
			if (events === null) return null;
			if (events.length === 0) return `No note was found in “${file.name}”.`;
			judged(events);
			return null;
		} catch (error) {
			return error instanceof RecordingTrouble ? error.message : 'The recording could not be read.';
		} finally {
			this.share = null;
		}
	}

	cancel(): void {
		this.cancelJob();
	}
}
