import type * as computeJobs from './compute-jobs';
import { long, short } from './jobs';
import type * as pageJobs from './pages.pool';

const TOO_MUCH = 'This takes too long to compute: give fewer bars, or a coarser grid.';
const UNREADABLE = 'This takes too long to read; a tune is simpler.';
const NO_PAGE = 'The page takes too long to draw: a tune with fewer bars fits on paper.';

type Job = (input: never) => unknown;
/** A job of the pool as whoever calls it sees it. */
type Call<J extends Job> = (input: Parameters<J>[0]) => Promise<Awaited<ReturnType<J>>>;

/** A job of the short lane; `late` tells whoever asked that it took too long. */
const quick =
	<K extends keyof typeof computeJobs>(name: K, late: string): Call<(typeof computeJobs)[K]> =>
	(input) =>
		short(name, input, late);

/** A job of the long lane, that ends after so many ms. */
const slow =
	<K extends keyof typeof pageJobs>(
		name: K,
		late: string | ((input: Parameters<(typeof pageJobs)[K]>[0]) => string),
		ms: number
	): Call<(typeof pageJobs)[K]> =>
	(input) =>
		long(name, input, typeof late === 'string' ? late : late(input), ms);

/** What is computed in threads, so that other requests are answered meanwhile. */
export const inPool = {
	plan: quick('plan', TOO_MUCH),
	snapshot: quick('snapshot', TOO_MUCH),
	check: quick('check', TOO_MUCH),
	judge: quick('judge', TOO_MUCH),
	take: quick('take', TOO_MUCH),
	phrase: quick('phrase', TOO_MUCH),
	positions: quick('positions', TOO_MUCH),
	shapes: quick('shapes', TOO_MUCH),
	coverage: quick('coverage', TOO_MUCH),
	analyze: quick('analyze', TOO_MUCH),
	readTune: quick('readTune', UNREADABLE),
	readTunes: slow('readTunes', UNREADABLE, 120_000),
	importFile: slow('importFile', ({ name }) => `${name}: the file takes too long to read.`, 15_000),
	readBackup: slow('readBackup', 'The backup takes too long to read.', 900_000),
	/** The pages for the music stand. */
	svg: slow('svg', NO_PAGE, 20_000),
	pdf: slow('pdf', NO_PAGE, 30_000)
};
