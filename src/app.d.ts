declare global {
	namespace App {
		interface Locals {
			/** Why the answer to this request failed, where it was the database. */
			trouble?: import('$lib/server/trouble').Trouble;
		}
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
