// Programs that tests read files with; they ship no types of their own.
declare module 'verovio/wasm' {
	const create: () => Promise<object>;
	export default create;
}
declare module 'verovio/esm' {
	export class VerovioToolkit {
		constructor(module: object);
		loadData(text: string): boolean;
		getMEI(): string;
		renderToTimemap(options: object): unknown;
	}
}
declare module 'jzz-midi-smf' {
	const extend: (jzz: unknown) => void;
	export default extend;
}
