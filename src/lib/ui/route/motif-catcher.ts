/** What of the phrases a route needs, fetched when a motif is kept. */
export { catchMotif } from '$core/phrase';
