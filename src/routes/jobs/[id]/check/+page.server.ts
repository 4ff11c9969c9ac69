import { cornerAsked } from '$lib/ui/heights/corner-asked';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ url }) => ({ corner: cornerAsked(url) });
