import { SORTS, type LogFilter, type Sort } from '../api/log-page';
import { isUuid } from './http';

/** What the address asks for; anything else in it is as if it were not there. */
export function logFilterOf(params: URLSearchParams): LogFilter {
	const tune = params.get('tune');
	const place = Number(params.get('place'));
	const key = params.get('key');
	const sort = params.get('sort') as Sort | null;
	const skip = Number(params.get('skip'));
	return {
		tune: tune && isUuid(tune) ? tune : null,
		place: Number.isInteger(place) && place >= 1 && place <= 24 ? place : null,
		key: key && /^[A-G](bb|b|##|#)?$/.test(key) ? key : null,
		sort: sort && SORTS.includes(sort) ? sort : 'when',
		down: params.get('order') !== 'up',
		skip: Number.isInteger(skip) && skip > 0 ? Math.min(skip, 1_000_000) : 0
	};
}
