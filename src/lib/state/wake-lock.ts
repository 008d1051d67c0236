let lock: WakeLockSentinel | null = null;
let wanted = false;

async function take(): Promise<void> {
	// Only over https or on this machine; elsewhere the device dims as it likes.
	if (!('wakeLock' in navigator) || lock || document.visibilityState !== 'visible') return;
	try {
		lock = await navigator.wakeLock.request('screen');
		lock.addEventListener('release', () => (lock = null));
		if (!wanted) await lock.release();
	} catch {
		lock = null;
	}
}

if (typeof document !== 'undefined') {
	document.addEventListener('visibilitychange', () => {
		if (wanted) void take();
	});
}

/** Keeps the screen on while something is played; the browser lets go of it when the page is hidden. */
export function keepAwake(on: boolean): void {
	wanted = on;
	if (on) void take();
	else void lock?.release();
}
