import { NO_LINE, NO_ANCHORS } from '$lib/api/route-schema';
import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { runRoute, type RouteRequest } from '$lib/api/route';
import { Planner } from './planner';

const input = (chart: string): RouteRequest => ({
	chart,
	instrument: undefined,
	route: {
		position: 5,
		style: 'nearest',
		line: { ...NO_LINE, grid: 'eighth' },
		anchors: NO_ANCHORS
	}
});

/** Holds answers back until they are let go, as a long plan would. */
let gate: Promise<void> = Promise.resolve();
const workers: PortWorker[] = [];

/** A worker over a message channel in this process, speaking to the same entry. */
class PortWorker {
	private readonly channel = new MessageChannel();
	ended = false;

	constructor() {
		workers.push(this);
		const { port1, port2 } = this.channel;
		const api = {
			plan: async (wanted: RouteRequest) => {
				await gate;
				return runRoute(wanted);
			},
			landings: () => []
		};
		expose(api, port2);
		port1.start();
		port2.start();
	}

	postMessage(message: unknown): void {
		this.channel.port1.postMessage(message);
	}
	addEventListener(type: string, listener: EventListener): void {
		this.channel.port1.addEventListener(type, listener);
	}
	removeEventListener(type: string, listener: EventListener): void {
		this.channel.port1.removeEventListener(type, listener);
	}
	terminate(): void {
		this.ended = true;
		this.channel.port1.close();
		this.channel.port2.close();
	}
}

describe('the planner of the page', () => {
	let planner: Planner;
	beforeEach(() => {
		workers.length = 0;
		gate = Promise.resolve();
		vi.stubGlobal('Worker', PortWorker);
		planner = new Planner();
	});
	afterEach(() => {
		planner.close();
		vi.unstubAllGlobals();
	});

	it('answers like the entry that it calls', async () => {
		const wanted = input('| Dm7 | G7 | C |');
		expect(await planner.plan(wanted)).toEqual(runRoute(wanted));
		expect(await planner.landings(wanted, 0)).toEqual([]);
		expect(workers).toHaveLength(1);
	});

	it('drops an older request for a newer one', async () => {
		let open = () => {};
		gate = new Promise((resolve) => (open = resolve));
		const first = planner.plan(input('| C |'));
		const second = planner.plan(input('| F |'));
		open();
		expect(await first).toBeNull();
		expect(await second).toEqual(runRoute(input('| F |')));
		expect(workers).toHaveLength(1);
	});

	it('ends a worker that goes on for long when something newer is wanted', async () => {
		gate = new Promise(() => {});
		const clock = vi.spyOn(performance, 'now').mockReturnValue(0);
		const first = planner.plan(input('| C |'));
		clock.mockReturnValue(1000);
		gate = Promise.resolve();
		const second = planner.plan(input('| F |'));
		expect(await first).toBeNull();
		expect(await second).toEqual(runRoute(input('| F |')));
		expect(workers.map((worker) => worker.ended)).toEqual([true, false]);
		clock.mockRestore();
	});

	it('gives everything up when it is closed', async () => {
		gate = new Promise(() => {});
		planner.warm();
		const waiting = planner.plan(input('| C |'));
		planner.close();
		expect(await waiting).toBeNull();
		expect(workers[0].ended).toBe(true);
	});
});
