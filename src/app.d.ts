import type { Person } from '$lib/server/db/people';
import type { Shop } from '$lib/server/db/shop';

declare global {
	namespace App {
		interface Error {
			message: string;
			/** Also in the log, beside the cause. */
			reference?: string;
		}
		interface Locals {
			reference: string;
			person?: Person;
			shop?: Shop;
			/** Token of the session cookie, when it is valid. */
			token?: string;
		}
	}
}

export {};
