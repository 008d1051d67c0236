import { describe, expect, it } from 'vitest';
import { orderAfter, orderHref, orderOf, TUNE_COLUMNS, type TuneOrder } from './tune-columns';

describe('the order of the notebook', () => {
	it('is read from the address, and only a column gives one', () => {
		const of = (query: string) => orderOf(new URLSearchParams(query));
		expect(of('by=landed&order=down')).toEqual({ id: 'landed', desc: true });
		expect(of('by=due')).toEqual({ id: 'due', desc: false });
		for (const query of ['', 'by=number', 'by=nothing', 'by=delete', 'order=down'])
			expect(of(query)).toBeNull();
	});

	it('goes from a column’s first one to the other and back to that of the sets', () => {
		let order: TuneOrder = null;
		const seen = ['last', 'last', 'last', 'due', 'due', 'last'].map((id) => {
			order = orderAfter(order, id);
			return order && `${order.id} ${order.desc ? 'down' : 'up'}`;
		});
		expect(seen).toEqual(['last down', 'last up', null, 'due up', 'due down', 'last down']);
	});

	it('stands in the address beside what is looked for', () => {
		const url = new URL('http://here/?q=ferry');
		for (const { id } of TUNE_COLUMNS.filter((column) => column.enableSorting !== false)) {
			for (const desc of [true, false]) {
				const href = orderHref(url, { id: id ?? '', desc });
				const { searchParams } = new URL(href, url);
				expect(orderOf(searchParams)).toEqual({ id, desc });
				expect(searchParams.get('q')).toBe('ferry');
				expect(orderHref(new URL(href, url), null)).toBe('/?q=ferry');
			}
		}
		expect(orderHref(new URL('http://here/?by=due'), null)).toBe('/');
	});
});
