declare global {
	namespace App {
		interface Platform {
			/** The request as Node has it, on the built server. */
			req: import('node:http').IncomingMessage;
		}
		interface Error {
			message: string;
		}
	}
}

export {};
